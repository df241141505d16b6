import { parseDocument } from 'htmlparser2';
import { textContent } from 'domutils';
import type { Document } from 'domhandler';
import { plainWords } from '../../language/index.js';
import { authorLine, authorList, type Contributor, type Publication } from '../../manuscript/index.js';
import type { Tally } from '../book/report.js';
import { elements, flat, textOf } from '../book/xml.js';

/** What an e-book says of itself, with its file's name where it has no title. */
export function detailsOf(opf: Document, name: string) {
  // A description may be written as HTML.
  const description = textContent(flat(parseDocument(textOf(opf, 'description'))));
  return {
    title: textOf(opf, 'title') || name.replace(/\.\w+$/, ''),
    subtitle: subtitleIn(opf),
    author: authorLine(authorsIn(opf)),
    language: textOf(opf, 'language'),
    description: description.replace(/\s+/g, ' ').trim(),
  };
}

/** The authors, each by name; more than a line can hold are left as they are. */
const authorsIn = (opf: Document): string[] =>
  elements(opf, 'creator')
    .map((element) => plainWords(textContent(element), LONGEST))
    .filter((name) => name !== '')
    .slice(0, MOST);

/** The title that is called the subtitle (EPUB 3.3, 5.5.3.1.2). */
function subtitleIn(opf: Document): string {
  const meta = elements(opf, 'meta').find(
    (element) => element.attribs.property === 'title-type' && textContent(element).trim() === 'subtitle',
  );
  const id = meta?.attribs.refines?.replace(/^#/, '');
  const title = elements(opf, 'title').find(({ attribs }) => id !== undefined && attribs.id === id);
  return title ? textContent(title).replace(/\s+/g, ' ').trim() : '';
}

/** The longest thing that is kept of what is said of a book, in signs, and how many of one kind. */
const LONGEST = 1_000;
const MOST = 50;

/** What is said of the book beside its title; `pictureAt` gives the enclosure of a picture that the e-book has. */
export function publicationOf(
  opf: Document,
  pictureAt: (href: string) => string | null,
  tally: Tally,
): Publication | undefined {
  const all = (name: string): string[] =>
    elements(opf, name)
      .map((element) => plainWords(textContent(element), LONGEST))
      .filter((words) => words !== '' && words.toLowerCase() !== 'unknown')
      .slice(0, MOST);
  const first = (name: string): string => all(name)[0] ?? '';
  const publication = {
    authors: authorList(authorsIn(opf)),
    publisher: first('publisher'),
    published: first('date'),
    rights: all('rights').join(' '),
    source: first('source'),
    // A number that a machine gave the file says nothing of the book.
    identifiers: all('identifier').filter((one) => !/^(?:urn:uuid:)?[\da-f]{8}-[\da-f-]+$/i.test(one)),
    subjects: all('subject'),
    contributors: contributorsIn(opf).slice(0, MOST),
    cover: coverIn(opf, pictureAt),
  };
  const { cover, ...said } = publication;
  const count = Object.values(said).flat().filter(Boolean).length;
  tally.add('kept', 'details of the book', undefined, count);
  if (cover) tally.add('kept', 'covers');
  else if (saysCover(opf)) tally.add('changed', 'covers', 'the cover is made of the title');
  return count > 0 || cover ? publication : undefined;
}

/** Those who took part, with their roles (EPUB 3.3, D.3.10; OPF 2.0.1, 2.2.6). */
function contributorsIn(opf: Document): Contributor[] {
  const roles = new Map(
    elements(opf, 'meta')
      .filter(({ attribs }) => attribs.property === 'role')
      .map((meta) => [meta.attribs.refines?.replace(/^#/, ''), textContent(meta).trim()]),
  );
  return elements(opf, 'contributor').flatMap((element) => {
    const name = plainWords(textContent(element), LONGEST);
    const role = roles.get(element.attribs.id) ?? element.attribs['opf:role'] ?? '';
    const isNamed = name !== '' && name.toLowerCase() !== 'unknown';
    return isNamed ? [{ name, role: /^[a-z]{3}$/.test(role) ? role : '' }] : [];
  });
}

/** The picture of the cover (EPUB 3.3, D.2.1), in EPUB 2 by the name that reading programs look for (common practice). */
function coverIn(opf: Document, pictureAt: (href: string) => string | null): string | null {
  const items = elements(opf, 'item');
  const named = elements(opf, 'meta').find(({ attribs }) => attribs.name === 'cover')?.attribs.content;
  const item =
    items.find(({ attribs }) => attribs.properties?.split(' ').includes('cover-image')) ??
    items.find(({ attribs }) => attribs.id === named);
  const isPicture = item?.attribs['media-type']?.startsWith('image/');
  return item?.attribs.href && isPicture ? pictureAt(item.attribs.href) : null;
}

const saysCover = (opf: Document): boolean =>
  elements(opf, 'reference').some(({ attribs }) => attribs.type?.toLowerCase() === 'cover') ||
  elements(opf, 'meta').some(({ attribs }) => attribs.name === 'cover');
