import type { Node } from 'prosemirror-model';
import { phrases } from '../../language/index.js';
import { attrsOf, BETWEEN_RETURNS, noteMarkOf, type Note } from '../../manuscript/index.js';
import { contentsLines } from '../edition/said.js';
import type { PageContext } from './page-context.js';
import { lookClass } from './looks.js';
import { nestedList } from './nested-list.js';
import { element, escapeXml } from './xml.js';

/** The number of a place as readers see it before its words; nothing where it has none. */
export function numberOf(id: unknown, { edition }: PageContext, after: string): string {
  const label = typeof id === 'string' ? edition.places.get(id)?.label : '';
  return label
    ? `${element('span', { class: 'number', 'data-computed': '' }, escapeXml(label + after))}`
    : '';
}

/** The mark of a note: its number, which leads to the note (DPUB-ARIA 1.1, `doc-noteref`). */
export function noteMark(node: Node, page: PageContext): string {
  const { id, of } = noteMarkOf(node);
  const note = page.edition.map.byId.get(of);
  if (!note) return '';
  const attributes = {
    id: page.once(id),
    href: page.addressOfPlace(note.id),
    'aria-label': nameOfNote(note, page),
    role: 'doc-noteref',
    'epub:type': page.edition.format === 'epub' ? 'noteref' : null,
  };
  return element('sup', {}, element('a', attributes, escapeXml(note.number)));
}

/** Marks of two chapters may bear the same number; on one page their names tell them apart. */
export function nameOfNote({ number, chapter }: Note, { edition }: PageContext): string {
  const name = `${phrases(edition.book.language).note} ${number}`;
  const title = edition.book.chapters.find(({ id }) => id === chapter)?.title;
  const onePage = edition.format === 'web' && edition.book.structure.notes.count === 'chapter';
  return onePage && title ? `${name}, ${title}` : name;
}

/** A reference: words that are computed from a place and lead there. */
export function reference(node: Node, page: PageContext): string {
  const { id, place, form, own, hoverNote } = attrsOf.reference(node);
  const words = escapeXml(page.edition.say(node));
  if (!page.edition.places.has(place)) return words;
  const attributes = { id: page.origin(id), href: page.addressOfPlace(place), title: hoverNote || null };
  return element('a', { ...attributes, 'data-reference': form, 'data-own': own || null }, words);
}

/** Return links, one for each spot to lead back to. */
export function returnLink(node: Node, page: PageContext): string {
  const { to: kind, own } = attrsOf.returnLink(node);
  const links = page.edition
    .returnsOf(node)
    .map(({ to, words }) => element('a', { href: page.addressOfPlace(to) }, escapeXml(words)))
    .join(BETWEEN_RETURNS);
  return links && element('span', { class: 'return', 'data-return': kind, 'data-own': own || null }, links);
}

/** A computed list of contents. */
export function contentsList(node: Node, page: PageContext): string {
  const { id, ...chosen } = attrsOf.contents(node);
  const lines = contentsLines(page.edition, id);
  const attributes = { id: page.once(id), class: 'contents', 'data-contents': JSON.stringify(chosen) };
  if (lines.length === 0) return element('div', attributes);
  const links = lines.map(({ place, ...line }) => ({ ...line, href: page.addressOfPlace(place) }));
  return element('div', attributes, nestedList(links, 'ul', chosen.look ? lookClass(chosen.look) : null));
}
