import { strFromU8, unzipSync } from 'fflate';
import { isTag, isText, type ChildNode, type Document, type Element } from 'domhandler';
import { parseDocument } from 'htmlparser2';

/** What a reader that shares no code with Vennet meets in an e-book or on a page, to be compared. */
export interface Met {
  /** Addresses outside of the book, one for each link. */
  outside: string[];
  /** Of each link inside it: its words, and the words where it leads. */
  inside: string[];
  words: string[];
  /** How many there are of some elements. */
  counts: Record<(typeof COUNTED)[number], number>;
}

const COUNTED = ['table', 'pre', 'img', 'li', 'dt', 'math'] as const;

interface Page {
  path: string;
  document: Document;
}

/** The pages of an e-book in the order of its spine, without its navigation and what `isMade` says is made anew. */
export function pagesOf(bytes: Uint8Array, isMade: (path: string, page: Document) => boolean): Page[] {
  const files = unzipSync(bytes);
  const xml = (path: string) => parseDocument(strFromU8(files[path] ?? new Uint8Array()), { xmlMode: true });
  const all = (document: Document, name: string): Element[] => {
    const found: Element[] = [];
    walk(document.children, (node) => {
      if (isTag(node) && node.name.replace(/^.*:/, '') === name) found.push(node);
    });
    return found;
  };
  // Some e-books are packed with a folder around them.
  const container =
    Object.keys(files).find((path) => /^(?:[^/]+\/)?META-INF\/container\.xml$/.test(path)) ?? '';
  const folder = container.slice(0, -'META-INF/container.xml'.length);
  const opf = folder + (all(xml(container), 'rootfile')[0]?.attribs['full-path'] ?? '');
  const items = new Map(all(xml(opf), 'item').map(({ attribs }) => [attribs.id ?? '', attribs]));
  const known = new Set<string>();
  return all(xml(opf), 'itemref').flatMap(({ attribs }) => {
    const item = items.get(attribs.idref ?? '');
    const path = resolved(opf, item?.href ?? '');
    const isText = /html/.test(item?.['media-type'] ?? '') && !/\bnav\b/.test(item?.properties ?? '');
    if (!isText || known.has(path)) return [];
    known.add(path);
    const document = xml(path);
    return isMade(path, document) || isContents(document) ? [] : [{ path, document }];
  });
}

/** A page that is hardly more than links to other pages, or has no words: contents and covers are made anew. */
function isContents(document: Document): boolean {
  let linked = '';
  walk(document.children, (node) => {
    if (isTag(node) && node.name === 'a' && !/^[a-z]+:/i.test(node.attribs.href ?? 'x:'))
      linked += textOf(node.children);
  });
  return letters(linked).length >= 0.7 * letters(textOf(document.children)).length;
}

/** What a reader meets on pages that lead to each other. */
export function metIn(pages: readonly Page[]): Met {
  const met: Met = {
    outside: [],
    inside: [],
    words: [],
    counts: { table: 0, pre: 0, img: 0, li: 0, dt: 0, math: 0 },
  };
  const landings = new Map<string, string>();
  for (const { path, document } of pages) {
    const { text, spots } = read(document.children);
    for (const [id, at] of [['', 0] as const, ...spots])
      if (!landings.has(path + id))
        landings.set(path + id, letters(text.slice(at, at + 400)).slice(0, LANDING));
    met.words.push(...text.split(/\s+/).filter(Boolean));
  }
  for (const { path, document } of pages)
    walk(document.children, (node) => {
      if (!isTag(node)) return;
      if (COUNTED.includes(node.name as never)) met.counts[node.name as (typeof COUNTED)[number]]++;
      const { href } = node.attribs;
      // An empty address leads nowhere that its maker meant.
      if (node.name !== 'a' || !href) return;
      if (/^(?:https?|mailto|tel):/i.test(href)) met.outside.push(plainAddress(href));
      else if (!/^[a-z]+:/i.test(href)) {
        const target = href.startsWith('#') ? path + href : resolved(path, href);
        const landing = landings.get(decodeURI(target));
        if (landing !== undefined) met.inside.push(`${letters(textOf(node.children))} -> ${landing}`);
      }
    });
  return met;
}

/** An address as a browser asks for it (URL Standard); of an email address what it says. */
function plainAddress(href: string): string {
  const address = href.trim();
  if (/^mailto:/i.test(address)) return decodeURIComponent(address).toLowerCase();
  return URL.canParse(address) ? new URL(address).href : address;
}

/** How much of the words at a target is compared, in letters. */
const LANDING = 24;

const letters = (text: string): string => text.normalize('NFKC').replace(/[^\p{L}\p{M}\p{N}]+/gu, '');

/** What stands so many times more often in one list than in the other. */
export function missing(from: readonly string[], other: readonly string[]): string[] {
  const counts = new Map<string, number>();
  for (const one of other) counts.set(one, (counts.get(one) ?? 0) + 1);
  return from.filter((one) => {
    const count = counts.get(one) ?? 0;
    counts.set(one, count - 1);
    return count <= 0;
  });
}

/** A mark of a note: a number that leads somewhere. Notes of a book that is made have numbers of their own. */
const isMark = ({ children }: Element): boolean =>
  MARK.test(
    children
      .map((child) => (isText(child) ? child.data : isTag(child) ? textOf(child.children) : ''))
      .join(''),
  );

const SILENT = /^(?:head|script|style)$/;
export const MARK = /^\W*\d{1,3}\W*$/;
/** Elements that stand within words. */
const WITHIN_WORDS =
  /^(?:a|abbr|b|bdi|bdo|big|cite|code|del|dfn|em|font|i|ins|kbd|mark|q|s|samp|small|span|strong|sub|sup|tt|u|var)$/;

function walk(nodes: readonly ChildNode[], meet: (node: ChildNode) => void): void {
  for (const node of nodes) {
    if (isTag(node) && SILENT.test(node.name)) continue;
    meet(node);
    if ('children' in node) walk(node.children, meet);
  }
}

export const textOf = (nodes: readonly ChildNode[]): string => read(nodes).text;

/** The text of nodes, with a space around all that stands apart from words, and where ids stand in it. */
function read(nodes: readonly ChildNode[]): { text: string; spots: [string, number][] } {
  let text = '';
  const spots: [string, number][] = [];
  const go = (all: readonly ChildNode[]) => {
    for (const node of all) {
      if (isText(node)) text += node.data;
      if (!('children' in node) || (isTag(node) && SILENT.test(node.name))) continue;
      if (isTag(node) && node.name === 'a' && isMark(node)) continue;
      const isApart = isTag(node) && !WITHIN_WORDS.test(node.name);
      if (isApart) text += ' ';
      if (isTag(node))
        for (const id of [node.attribs.id, node.name === 'a' ? node.attribs.name : undefined])
          if (id !== undefined) spots.push([`#${id}`, text.length]);
      go(node.children);
      if (isApart) text += ' ';
    }
  };
  go(nodes);
  return { text, spots };
}

const resolved = (from: string, to: string): string =>
  decodeURI(new URL(to, `file:///${encodeURI(from)}`).href.slice('file:///'.length));
