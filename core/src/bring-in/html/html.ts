import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { findOne, getElementsByTagName } from 'domutils';
import type { Document, Element } from 'domhandler';
import { urlFrom } from '../../destination/index.js';
import { schema, wordsOf } from '../../manuscript/index.js';
import { titleOfPage } from '../../page/index.js';
import { detailsFrom } from '../book/details.js';
import { assemble, type ChapterDraft } from '../book/assemble.js';
import type { BroughtIn } from '../book/brought-in.js';
import { Enclosures } from '../book/enclosures.js';
import { hasContent, readFlow } from '../flow/flow.js';
import { stylesOfPage } from '../flow/link-styles.js';
import { Ids } from '../book/ids.js';
import { resolveHref } from '../book/link-resolver.js';
import { BringInError } from '../book/refusal.js';
import { Tally } from '../book/report.js';
import { Tidy } from '../book/tidy.js';
import { sampleOf, type Trials } from '../book/trials.js';
import { cutAtHeadings, withoutBareHeadings } from '../book/division.js';

/** A page shorter than this, in UTF-16 units, stays one chapter. */
const SHORT = 6_000;

/** Reads one HTML page as a book (HTML Living Standard, by parse5). Long pages become chapters at their headings. */
export function readHtml(
  text: string,
  name: string,
  mint: () => string,
  { isWhole, guessLanguage }: Trials,
): BroughtIn {
  const tally = new Tally();
  const document: Document = new Tidy(tally).tree(parse(text, { treeAdapter: adapter }));
  const ids = new Ids(tally);
  const enclosures = new Enclosures(new Map(), mint, tally, isWhole);
  const first = mint();
  ids.takeFrom(name, document);
  const body = getElementsByTagName('body', document.children, true);
  const parts = { ids, chapters: new Map([[name, first]]), outside: addressOf(document), fileAt: () => null };
  const notes = { marks: new Set<string>(), backs: new Set<string>() };
  const blocks = readFlow(body.slice(0, 1), {
    tally,
    mint,
    placeId: ids.placer(name),
    resolve: (href) => resolveHref(href, name, parts),
    picture: (src) => enclosures.fromSource(src, ''),
    sizeOf: (enclosure) => enclosures.sizeOf(enclosure),
    linksIn: (enclosure) => enclosures.linksIn(enclosure),
    drawing: (svg) => enclosures.fromDrawing(svg),
    notes,
    styles: stylesOfPage(document, tally),
  });
  if (!hasContent(blocks))
    throw new BringInError(
      'empty',
      'There is nothing to read in this page. Choose the file that holds your book.',
    );
  const html = findOne((element) => element.name === 'html', document.children, true);
  const title =
    titleOfPage(document) || blocks.map((block) => wordsOf(block)).find((words) => words !== '') || name;
  const details = detailsFrom(
    {
      title,
      author: metaContent(document, 'author'),
      language: html?.attribs.lang ?? html?.attribs['xml:lang'] ?? '',
      description: metaContent(document, 'description'),
    },
    tally,
    () => guessLanguage(sampleOf([blocks])),
  );
  const length = blocks.reduce((sum, block) => sum + block.textContent.length, 0);
  const whole = { blocks, title: '' };
  const pieces = length < SHORT ? [whole] : withoutBareHeadings(cutAtHeadings(whole));
  const drafts = pieces.map((part, index): ChapterDraft => ({
    id: index === 0 ? first : mint(),
    matter: 'main',
    doc: schema.node('doc', null, part.blocks),
  }));
  return assemble(details, drafts, { enclosures, tally, mint, notes });
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
