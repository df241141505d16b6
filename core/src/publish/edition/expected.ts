import { nameInFile, wordsSeen } from '../../reader/index.js';
import { hrefOf } from '../../destination/index.js';
import { attrsOf, isManuscript, noteMarkOf, type Link } from '../../manuscript/index.js';
import { targetIn, toldIn, type Edition } from './edition.js';
import { SOURCES } from './sources.js';
import { landingOf, type LandingWords } from './landing.js';
import { atFoot, noteBacks } from './note-backs.js';
import { contentsLines } from './said.js';

/** One link as a made file must have it. */
export interface ExpectedLink extends LandingWords {
  id: string;
  href: string;
  text: string;
  chapter: string;
  /** Its hover note; left out where none is kept. */
  note?: string;
}

/**
 * Every link of the book as the made file must have it. Links that lead nowhere are expected too: the proof says that
 * they are lost.
 */
export function expectedLinks(edition: Edition): ExpectedLink[] {
  return edition.links.filter(({ chapter }) => chapter !== SOURCES).map(expectedIn(edition));
}

const expectedIn =
  (edition: Edition) =>
  (link: Link): ExpectedLink => {
    const href = hrefIn(edition, link) ?? hrefOf(link.destination);
    const { id, chapter, hoverNote: note } = link;
    const text = shownText(link, href, edition);
    return { id, href: named(href, edition), text, chapter, note, ...landingOf(href, edition) };
  };

/**
 * The links that Vennet makes itself: the marks of notes and their ways back, the lines of lists of contents, return links, and the list
 * of sources.
 */
export function computedLinks(edition: Edition): ExpectedLink[] {
  const { book, map } = edition;
  const made = edition.links.filter(({ chapter }) => chapter === SOURCES).map(expectedIn(edition));
  const add = (id: string, to: string, text: string, chapter: string) => {
    if (edition.places.has(to) || edition.origins.has(to))
      made.push({ id, href: named(`#${to}`, edition), text, chapter, ...landingOf(`#${to}`, edition) });
  };
  for (const { id: chapter, doc } of book.chapters)
    doc.descendants((node) => {
      const { id } = attrsOf.inside(node);
      const { name } = node.type;
      if (name === 'note' || name === 'note_mark') {
        const mark = noteMarkOf(node);
        // Programs for Markdown number notes as they like.
        const number = edition.format === 'markdown' ? '' : map.byId.get(mark.of)?.number;
        add(mark.id, mark.of, number ?? '', chapter);
      }
      if (name === 'contents')
        for (const { place, words } of contentsLines(edition, id)) add(id, place, words, chapter);
      if (name === 'return_link')
        for (const { to, words } of edition.returnsOf(node)) add(id, to, words, chapter);
    });
  // Programs for manuscripts lead back from notes by themselves.
  if (isManuscript(edition.format)) return made;
  for (const note of map.notes) {
    // At the foot of a page, the number leads back to the first mark.
    if (atFoot(edition) && note.marks[0]) add(`${note.id}-back`, note.marks[0].id, note.number, note.chapter);
    for (const { id, to, words } of noteBacks(note, edition)) add(id, to, words, note.chapter);
  }
  return made;
}

/** An address as the made file has it, where places have names of their own. */
const named = (href: string, { nameOf }: Edition): string =>
  href.startsWith('#') ? `#${nameOf(href.slice(1))}` : href;

/** The address of a link in the made file, `#` before a place of it; `null` where it leads nowhere. */
export function hrefIn(edition: Edition, { destination }: Pick<Link, 'destination'>): string | null {
  const target = targetIn(edition, destination);
  return target && ('place' in target ? `#${target.place}` : target.href);
}

/** In a PDF, a link without words shows its address, and pictures have no text of their own. */
function shownText(link: Link, href: string, edition: Edition): string {
  if (isManuscript(edition.format)) return link.text;
  if (edition.format !== 'pdf') return nameInFile(link, toldIn(edition));
  if (link.carrier === 'reference') return link.text;
  if (link.carrier !== 'text') return '';
  return wordsSeen(link) === '' ? href : link.text;
}
