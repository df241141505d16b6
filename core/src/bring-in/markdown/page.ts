import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { isTag, isText, type Document, type Element } from 'domhandler';
import { getElementsByTagName, removeElement, textContent } from 'domutils';
import { decodeLoosely } from '../../destination/index.js';
import { element } from '../page/elements.js';
import { remarkParagraphs } from '../page/remark.js';
import { htmlOf, NOTE } from './render.js';

/** A text in Markdown as a page of elements. */
export function pageOf(text: string): Document {
  const document: Document = parse(`<!doctype html><html><body>${htmlOf(text)}</body></html>`, {
    treeAdapter: adapter,
  });
  placeNotes(document);
  for (const span of getElementsByTagName('span', document.children)) nameBookmark(span);
  for (const code of getElementsByTagName('code', document.children)) endLastLine(code);
  return document;
}

const withAttribute = (document: Document, name: string): Element[] =>
  getElementsByTagName((tag) => tag !== '', document.children).filter(
    ({ attribs }) => attribs[name] !== undefined,
  );

/** Each remark goes to its first mark; what no mark leads to stays where it is. */
function placeNotes(document: Document): void {
  const remarks = new Map(
    withAttribute(document, NOTE.remark).map((one) => [one.attribs[NOTE.remark] ?? '', one]),
  );
  const labels = new Set<string>();
  for (const mark of withAttribute(document, NOTE.mark)) {
    const label = mark.attribs[NOTE.mark] ?? '';
    const remark = remarks.get(label);
    const id = `note.${label}`;
    if (!remark) mark.attribs = { 'data-note-mark': id };
    else {
      const paragraphs = remarkParagraphs(remark.children.filter(isTag));
      mark.attribs = { id, 'data-note': '' };
      mark.children = paragraphs;
      for (const child of paragraphs) child.parent = mark;
      remarks.delete(label);
      labels.add(label);
      removeElement(remark);
    }
  }
  leadToNotes(document, labels);
}

/** Links that name a note by its label lead to it, unless something else is called so. */
function leadToNotes(document: Document, labels: ReadonlySet<string>): void {
  const ids = new Set(withAttribute(document, 'id').map(({ attribs }) => attribs.id));
  for (const link of getElementsByTagName('a', document.children)) {
    const label = decodeLoosely(/^#(.+)$/.exec(link.attribs.href ?? '')?.[1] ?? '');
    if (labels.has(label) && !ids.has(label)) link.attribs.href = `#note.${label}`;
  }
}

/** Words with an id are a bookmark; its name is the id, where none is said. */
function nameBookmark({ attribs, children }: Element): void {
  if (attribs.id === undefined || attribs['data-note'] !== undefined || children.length === 0) return;
  attribs['data-bookmark'] ??= attribs.id;
}

/** The end of the last line of code begins no other line. */
function endLastLine({ parent, children }: Element): void {
  const last = children.at(-1);
  if (parent && isTag(parent) && parent.name === 'pre' && last && isText(last))
    last.data = last.data.replace(/\n$/, '');
}

/** Where the links of a page lead within it and in others, as they are written. */
export const addressesIn = (document: Document): string[] =>
  getElementsByTagName('a', document.children).flatMap(({ attribs }) => attribs.href ?? []);

/** Gives the headings that links lead to by their words an id, as programs for Markdown do (common practice). */
export function nameHeadings(document: Document, wanted: ReadonlySet<string>): void {
  const taken = new Set(withAttribute(document, 'id').map(({ attribs }) => attribs.id));
  for (const heading of getElementsByTagName((name) => /^h[1-6]$/.test(name), document.children)) {
    const slug = slugOf(textContent(heading));
    let name = slug;
    for (let count = 1; taken.has(name); count++) name = `${slug}-${count}`;
    taken.add(name);
    if (!wanted.has(name)) continue;
    if (heading.attribs.id === undefined) heading.attribs.id = name;
    else heading.children.unshift(element('a', { id: name }));
  }
}

const slugOf = (words: string): string =>
  words
    .trim()
    .toLowerCase()
    .replace(/[^\p{L}\p{M}\p{N}\s_-]/gu, '')
    .replace(/\s/g, '-');

/** The ids that addresses name after their `#`. */
export const idsWanted = (addresses: readonly string[]): Set<string> =>
  new Set(addresses.flatMap((address) => /#(.+)$/.exec(address)?.[1] ?? []).map(decodeLoosely));
