import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { findOne } from 'domutils';
import type { Document, Element } from 'domhandler';
import { urlFrom } from '../../destination/index.js';
import { titleOfPage } from '../../page/index.js';
import type { BroughtIn } from '../book/brought-in.js';
import { Enclosures } from '../book/enclosures.js';
import { Tally } from '../book/report.js';
import { Tidy } from '../book/tidy.js';
import type { Trials } from '../book/trials.js';
import { languageOfPage, readPages } from '../page/read-pages.js';

/** Reads one HTML page as a book (HTML Living Standard, by parse5). */
export function readHtml(text: string, name: string, mint: () => string, trials: Trials): BroughtIn {
  const tally = new Tally();
  const document: Document = new Tidy(tally).tree(parse(text, { treeAdapter: adapter }));
  return readPages({
    pages: [{ path: name, document }],
    said: {
      title: titleOfPage(document),
      author: metaContent(document, 'author'),
      language: languageOfPage(document),
      description: metaContent(document, 'description'),
    },
    ...{ name, mint, tally, trials },
    enclosures: new Enclosures(new Map(), mint, tally, trials.isWhole),
    outside: addressOf(document),
  });
}

function metaContent(document: Document, name: string): string {
  const meta = findOne(
    (element) => element.name === 'meta' && element.attribs.name?.toLowerCase() === name,
    document.children,
    true,
  );
  return meta?.attribs.content?.trim() ?? '';
}

/** Where a page says that it stands: its `base`, or its canonical address. */
function addressOf(document: Document): string | null {
  const told = (element: Element) =>
    element.name === 'base' ||
    (element.name === 'link' && element.attribs.rel?.toLowerCase() === 'canonical');
  const href = findOne(told, document.children, true)?.attribs.href ?? '';
  return urlFrom(href) && /^https?:/i.test(href) ? href : null;
}
