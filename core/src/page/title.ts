import type { Document } from 'domhandler';
import { findOne, getElementsByTagName, textContent } from 'domutils';
import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';

/** The title of a page of HTML, and what its site calls itself (`og:site_name`). */
export function titleIn(html: string): { title: string; site: string } {
  const document: Document = parse(html, { treeAdapter: adapter });
  const named = findOne(
    ({ name, attribs }) => name === 'meta' && attribs.property === 'og:site_name',
    document.children,
    true,
  );
  return { title: titleOfPage(document), site: named?.attribs.content?.trim() ?? '' };
}

/** The title of a parsed page, white space made one. */
export function titleOfPage(document: Document): string {
  const title = getElementsByTagName('title', document.children, true)[0];
  return title ? textContent(title).replace(/\s+/g, ' ').trim() : '';
}
