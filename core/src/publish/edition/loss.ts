import { wordsSeen, contrastsOf, contrastsOfVisited } from '../../reader/index.js';
import { attrsOf, isOfPages, readsPage, spotsOf, type Link } from '../../manuscript/index.js';
import { entryId, targetIn, targetOnPages, type Edition } from './edition.js';
import { hasPages, manuscriptLosses, setsNotesItself } from './manuscript-losses.js';
import { nounFor } from '../../language/index.js';

/** Something that will not be in the made file as it is in the book; told before the file is made. */
export interface Loss {
  what: string;
  count: number;
  why: string;
  /** The links that it is told of, as far as it is told of links of the author's. */
  links: { id: string; text: string; chapter: string }[];
}

/** What would be lost or change in a form, before it is made. */
export function lossesIn(edition: Edition): Loss[] {
  const { format, links, book } = edition;
  const losses: Loss[] = [];
  const add = (one: string, many: string, told: number | readonly Link[], why: string) => {
    const count = typeof told === 'number' ? told : told.length;
    const led = typeof told === 'number' ? [] : told.map(({ id, text, chapter }) => ({ id, text, chapter }));
    if (count > 0) losses.push({ what: nounFor(count, one, many), count, why, links: led });
  };
  const pages = book.chapters.some(({ doc }) => isOfPages(doc));
  const targetOf = pages ? targetOnPages : targetIn;
  const nowhere = links.filter((link) => targetOf(edition, link.destination) === null);
  const { map, book: written } = edition;
  const outside = nowhere.filter(
    ({ destination }) => destination.kind === 'place' && edition.leftOut.has(destination.place),
  );
  const isOutside = new Set(outside);
  add(
    'link into a chapter that is left out',
    'links into chapters that are left out',
    outside,
    'The words stay, without a link.',
  );
  // What is there, but not for all readers, or has no address.
  const withheld = nowhere.filter((link) => targetIn(edition, link.destination) !== null);
  const isWithheld = new Set(withheld);
  add(
    'link to what the file can’t lead to',
    'links to what the file can’t lead to',
    withheld,
    'The other book has no address, or the file is not for every reader. Its pages stay as they are, so nothing on them can say how readers come by it. Give the book its address on the Shelf, or let the file travel with this one.',
  );
  add(
    'link that leads nowhere',
    'links that lead nowhere',
    nowhere.filter((link) => !isOutside.has(link) && !isWithheld.has(link)),
    'The place or the file is not there, or has no address yet. The words stay, without a link.',
  );
  const listed = (pages ? [] : links).filter(({ destination }) => {
    const target = targetIn(edition, destination);
    const id =
      destination.kind === 'file'
        ? destination.enclosure
        : destination.kind === 'book'
          ? destination.book
          : null;
    return id !== null && target !== null && 'place' in target && target.place === entryId(id);
  });
  add(
    'link to what is not in the text',
    'links to what is not in the text',
    listed,
    'Readers are led to a list at the end, which says how readers come by the file or the book.',
  );
  const attached = (pages ? links : []).filter(({ destination }) => {
    const target = targetOnPages(edition, destination);
    return target !== null && 'attached' in target;
  });
  add(
    'link to a file within this one',
    'links to files within this one',
    attached,
    'Most reading programs ask before they open such a file, some want two presses, and some have no way to open it: they list it beside the pages. It opens at its start.',
  );
  const paged = hasPages(format) ? 0 : pageReferences(edition);
  add(
    'reference to a page',
    'references to pages',
    paged,
    'This form has no pages: the number or the words of the place stand there instead.',
  );
  add(
    'note',
    'notes',
    !setsNotesItself(format) && written.structure.notes.stand === 'page' ? map.notes.length : 0,
    'There is no foot of a page in this form; notes stand after their chapter.',
  );
  add(
    'mark without a note',
    'marks without a note',
    map.astray.length,
    'The note is not in this form, and the mark is left out.',
  );
  const lost = deadReturns(edition);
  add(
    'return link',
    'return links',
    lost,
    'Nothing leads to the section in this form, so there is nowhere to go back to.',
  );
  if (
    [...contrastsOf(book.look), ...contrastsOfVisited(book.look)].some(
      ({ readable, told }) => !readable || !told,
    )
  )
    add(
      'look of the links',
      'looks of the links',
      1,
      'It is hard to read or to tell from the words around; see “Link look” in Write.',
    );
  for (const line of manuscriptLosses(edition)) add(...line);
  if (format === 'pdf') {
    const wordless = links.filter((link) => wordsSeen(link) === '' && link.carrier === 'text');
    add(
      'link without words',
      'links without words',
      wordless,
      'A link in a PDF needs something to press, so the address itself is printed.',
    );
    const moving = [...edition.enclosures.values()].filter((file) => file.type === 'image/gif');
    add('moving picture', 'moving pictures', moving.length, 'A PDF shows the first picture of each.');
  }
  return losses;
}

function pageReferences({ book }: Edition): number {
  return book.chapters
    .flatMap(({ id, doc }) => spotsOf(doc, id).references)
    .filter(({ node }) => readsPage(attrsOf.reference(node))).length;
}

function deadReturns({ book, returnsOf }: Edition): number {
  return book.chapters
    .flatMap(({ id, doc }) => spotsOf(doc, id).returns)
    .filter(({ node }) => returnsOf(node).length === 0).length;
}
