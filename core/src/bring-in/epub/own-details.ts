import { parseDocument } from 'htmlparser2';
import { textContent } from 'domutils';
import type { Document, Element } from 'domhandler';
import type { Tally } from '../book/report.js';
import { elements, flat, textOf } from './package-xml.js';

/** What an e-book says of itself, with its file's name where it has no title. */
export function detailsOf(opf: Document, name: string) {
  const authors = elements(opf, 'creator').map((element) => textContent(element).trim());
  // A description may be written as HTML.
  const description = textContent(flat(parseDocument(textOf(opf, 'description'))));
  return {
    title: textOf(opf, 'title') || name.replace(/\.\w+$/, ''),
    subtitle: subtitleIn(opf),
    author: authors.filter(Boolean).join(', '),
    language: textOf(opf, 'language'),
    description: description.replace(/\s+/g, ' ').trim(),
  };
}

/** The title that is called the subtitle (EPUB 3.3, 5.5.3.1.2). */
function subtitleIn(opf: Document): string {
  const meta = elements(opf, 'meta').find(
    (element) => element.attribs.property === 'title-type' && textContent(element).trim() === 'subtitle',
  );
  const id = meta?.attribs.refines?.replace(/^#/, '');
  const title = elements(opf, 'title').find(({ attribs }) => id !== undefined && attribs.id === id);
  return title ? textContent(title).replace(/\s+/g, ' ').trim() : '';
}

/** What an e-book says of itself (Dublin Core, as EPUB 3.3 has it in 5.5) that a book here has no field for. */
const NO_FIELD = {
  publisher: 'the publisher',
  date: 'the date',
  rights: 'the rights',
  identifier: 'the identifier',
  contributor: 'someone who took part',
  subject: 'a subject',
  source: 'the source',
};

/** Tells what a book here has no field for. */
export function tellOfDetails(opf: Document, tally: Tally): void {
  for (const [name, what] of Object.entries(NO_FIELD))
    for (const element of elements(opf, name)) {
      const words = textContent(element).replace(/\s+/g, ' ').trim();
      // A number that a machine gave the file says nothing of the book.
      if (words !== '' && !/^(?:urn:uuid:)?[\da-f]{8}-[\da-f-]+$/i.test(words))
        tally.add('leftOut', 'details of the book', `${what}, “${words.slice(0, 80)}”`);
    }
  const isCover = ({ attribs }: Element) =>
    Boolean(attribs.properties?.split(' ').includes('cover-image')) ||
    attribs.name === 'cover' ||
    attribs.type?.toLowerCase() === 'cover';
  if (['item', 'meta', 'reference'].some((name) => elements(opf, name).some(isCover)))
    tally.add('changed', 'covers', 'the cover is made of the title');
}
