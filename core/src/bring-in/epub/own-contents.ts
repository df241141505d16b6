import { isTag, type Document, type Element } from 'domhandler';
import { findOne, getElementsByTagName, textContent } from 'domutils';

/** A line of the contents that an e-book has of its own: where it leads, and how deep it stands, from 1. */
export interface ContentsLine {
  title: string;
  path: string;
  fragment: string;
  depth: number;
}

/** Where a reference in a file of the e-book leads. */
export type Locate = (reference: string) => { path: string; fragment: string };

/** The lines of a navigation document (EPUB 3.3, 7.4.2): its `toc` nav, else the first of its navs. */
export function linesOfNav(document: Document, locate: Locate): ContentsLine[] {
  const navs = getElementsByTagName('nav', document.children, true);
  const nav =
    navs.find(({ attribs }) => /\btoc\b/.test(attribs['epub:type'] ?? attribs.role ?? '')) ?? navs[0];
  const lines: ContentsLine[] = [];
  const walk = (list: Element, depth: number) => {
    for (const item of list.children.filter(isTag)) {
      const anchor = findOne(({ name }) => name === 'a' || name === 'ol', item.children, true);
      if (anchor?.name === 'a' && anchor.attribs.href !== undefined)
        lines.push({ title: plain(textContent(anchor)), depth, ...locate(anchor.attribs.href) });
      for (const inner of item.children.filter(isTag)) if (inner.name === 'ol') walk(inner, depth + 1);
    }
  };
  const list = nav && findOne(({ name }) => name === 'ol', nav.children, true);
  if (list) walk(list, 1);
  return lines;
}

/** The lines of an NCX (OPF 2.0.1, 2.4.1). */
export function linesOfNcx(document: Document, locate: Locate): ContentsLine[] {
  const lines: ContentsLine[] = [];
  const walk = (parent: Element, depth: number) => {
    for (const point of parent.children.filter(isTag)) {
      if (localName(point) !== 'navpoint') continue;
      const label = findOne((one) => localName(one) === 'navlabel', point.children, false);
      const content = findOne((one) => localName(one) === 'content', point.children, false);
      const title = label ? plain(textContent(label)) : '';
      lines.push({ title, depth, ...locate(content?.attribs.src ?? '') });
      walk(point, depth + 1);
    }
  };
  const map = findOne((one) => localName(one) === 'navmap', document.children, true);
  if (map) walk(map, 1);
  return lines;
}

const localName = ({ name }: Element): string => name.replace(/^.*:/, '').toLowerCase();
const plain = (words: string): string => words.replace(/\s+/g, ' ').trim();
