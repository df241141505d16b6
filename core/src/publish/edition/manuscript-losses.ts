import type { Node } from 'prosemirror-model';
import { attrsOf, beginsPage, isManuscript, type Format, type Link } from '../../manuscript/index.js';
import type { Edition } from './edition.js';
import { isCountedThere } from './said.js';

/** One line of what is lost: a single thing, several of them, how many, and why. */
export type LossLine = readonly [one: string, many: string, told: number | readonly Link[], why: string];

/** What a form in which a book goes on being written can't carry, beside what is told of every form. */
export function manuscriptLosses(edition: Edition): LossLine[] {
  const { format, book } = edition;
  if (!isManuscript(format)) return [];
  const isDocument = format !== 'markdown';
  const { numbering, notes } = book.structure;
  const wordNumbers = isDocument ? numbersInWords(edition) : 0;
  return [
    [
      'part of a picture that is a link',
      'parts of pictures that are links',
      count(edition, (node) => (node.type.name === 'figure' ? attrsOf.figure(node).areas.length : 0)),
      'They become a list of links below their picture.',
    ],
    [
      'beginning of a page',
      'beginnings of pages',
      isDocument ? 0 : count(edition, (node) => (beginsPage(node) ? 1 : 0)),
      'This form has no pages.',
    ],
    [
      'return link',
      'return links',
      isDocument ? count(edition, (node) => (node.type.name === 'return_link' ? 1 : 0)) : 0,
      'They lead where they led, but are not computed anew.',
    ],
    [
      'number of a heading',
      'numbers of headings',
      wordNumbers,
      'This form counts 1, 1.1, 1.1.1 in the main text; other numbers stand as words.',
    ],
    [
      'reference to a number',
      'references to numbers',
      isDocument && numbering === 'parts' ? references(edition) : 0,
      'They read the number that stands there now.',
    ],
    [
      'chapter before or after the text',
      'chapters before or after the text',
      book.chapters.filter(({ matter }) => matter !== 'main').length,
      'This form has one row of chapters.',
    ],
    [
      'name or language of a link',
      'names and languages of links',
      edition.links.filter(({ about }) => about && (about.name !== '' || about.language !== '')),
      'This form can’t say anything beside the words of a link but its hover note.',
    ],
    [
      'link to another book',
      'links to other books',
      edition.links.filter(
        ({ destination: to }) => to.kind === 'book' && !edition.surroundings.books.get(to.book)?.address,
      ),
      'They lead to a file of that book by its title, in this form, which has to lie next to this one.',
    ],
    [
      'detail of the book',
      'details of the book',
      isDocument ? detailsIn(edition) : 0,
      'Publisher, date, rights and the like have no place in this form.',
    ],
    [
      'note',
      'notes',
      !isDocument && notes.count === 'chapter' && book.chapters.length > 1 ? edition.map.notes.length : 0,
      'Programs for Markdown count them through the whole text.',
    ],
  ];
}

/** Forms in which notes stand at the foot of pages, or are set by each program as it likes. */
export const setsNotesItself = (format: Format): boolean => format === 'pdf' || isManuscript(format);

/** Forms that know the numbers of their pages. */
export const hasPages = (format: Format): boolean =>
  format === 'pdf' || format === 'docx' || format === 'odt';

function count({ book }: Edition, of: (node: Node) => number): number {
  let sum = 0;
  for (const { doc } of book.chapters)
    doc.descendants((node) => {
      sum += of(node);
    });
  return sum;
}

function numbersInWords(edition: Edition): number {
  const matterOf = new Map(edition.book.chapters.map(({ id, matter }) => [id, matter]));
  return [...edition.places.values()].filter(
    ({ kind, label, chapter }) =>
      kind === 'heading' && label !== '' && !isCountedThere(edition, matterOf.get(chapter), label),
  ).length;
}

const references = (edition: Edition): number =>
  count(edition, (node) => {
    if (node.type.name !== 'reference') return 0;
    const { form, place } = attrsOf.reference(node);
    return /number/.test(form) && edition.places.get(place)?.kind === 'heading' ? 1 : 0;
  });

function detailsIn({ book: { publication } }: Edition): number {
  if (!publication) return 0;
  const { publisher, published, rights, source, identifiers, contributors } = publication;
  return (
    [publisher, published, rights, source].filter(Boolean).length + identifiers.length + contributors.length
  );
}
