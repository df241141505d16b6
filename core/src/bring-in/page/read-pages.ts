import type { Document, Element } from 'domhandler';
import { findOne, getElementsByTagName } from 'domutils';
import type { Destination } from '../../destination/index.js';
import { schema, wordsOf, type Publication, type Structure } from '../../manuscript/index.js';
import { assemble, type ChapterDraft } from '../book/assemble.js';
import type { BroughtIn } from '../book/brought-in.js';
import { detailsFrom } from '../book/details.js';
import { cutAtHeadings, withoutBareHeadings } from '../book/division.js';
import type { Enclosures } from '../book/enclosures.js';
import { Ids } from '../book/ids.js';
import { resolveHref, type Resolved } from '../book/link-resolver.js';
import { BringInError } from '../book/refusal.js';
import type { Tally } from '../book/report.js';
import { sampleOf, type Trials } from '../book/trials.js';
import { hasContent, readFlow } from '../flow/flow.js';
import { pageBreaksIn } from '../flow/layout.js';
import { sheetsIn, stylesOfPage } from '../flow/link-styles.js';

/** A page of elements as HTML has them, and the path by which links lead to it. */
export interface Page {
  path: string;
  document: Document;
}

/** What a file says of the book that it holds; empty where it says nothing. */
export interface Said {
  title: string;
  subtitle?: string;
  author: string;
  language: string;
  description: string;
}

/** The pages of a file, and what is known of the book beside them. */
export interface PagesRead {
  /** In reading order. */
  pages: readonly Page[];
  said: Said;
  /** What the book is called where nothing says it. */
  name: string;
  mint: () => string;
  tally: Tally;
  enclosures: Enclosures;
  trials: Trials;
  /** Where a page stands on the web, when it is known. */
  outside?: string | null;
  /** The file of the book that a reference in a page names; empty for none. */
  fileNamed?(reference: string, path: string): string;
  /** Where addresses lead that mean something of their own in this kind of file. */
  known?: ReadonlyMap<string, Destination>;
  /** The places of texts that are made anew, by their paths. */
  made?: ReadonlyMap<string, string>;
  structure?: Partial<Structure>;
  publication?: Publication;
}

/** Pages shorter than this together, in UTF-16 units, stay one chapter each. */
const SHORT = 6_000;

/**
 * Makes a book of pages of HTML elements. Long pages become chapters at their headings.
 *
 * @throws BringInError when there is nothing to read in them
 */
export function readPages(read: PagesRead): BroughtIn {
  const { pages, mint, tally, enclosures, trials, known, fileNamed = () => '' } = read;
  const ids = new Ids(tally);
  const chapters = new Map(pages.map(({ path }) => [path, mint()]));
  for (const { path, document } of pages) ids.takeFrom(path, document);
  const parts = {
    ...{ ids, chapters, outside: read.outside ?? null, made: read.made ?? new Map<string, string>() },
    fileAt: (path: string) => enclosures.fromFile(path),
  };
  const notes = { marks: new Set<string>(), backs: new Set<string>() };
  const texts = pages.map(({ path, document }) => ({
    path,
    blocks: readFlow(bodyOf(document), {
      ...{ tally, mint, notes },
      placeId: ids.placer(path),
      resolve: (href): Resolved => known?.get(href) ?? resolveHref(href, path, parts),
      picture: (src) => enclosures.fromSource(src, fileNamed(src, path)),
      sizeOf: (enclosure) => enclosures.sizeOf(enclosure),
      linksIn: (enclosure) => enclosures.linksIn(enclosure),
      drawing: (svg) => enclosures.fromDrawing(svg),
      styles: stylesOfPage(document, tally),
      breaks: pageBreaksIn(sheetsIn(document)),
    }),
  }));
  if (!texts.some(({ blocks }) => hasContent(blocks)))
    throw new BringInError(
      'empty',
      'There is nothing to read in this file. Choose the file that holds your book.',
    );
  const firstWords = () =>
    texts.flatMap(({ blocks }) => blocks.map((block) => wordsOf(block))).find((words) => words !== '');
  const title = read.said.title || firstWords() || read.name;
  const details = detailsFrom({ ...read.said, title }, tally, () =>
    trials.guessLanguage(sampleOf(texts.map(({ blocks }) => blocks))),
  );
  const length = texts
    .flatMap(({ blocks }) => blocks)
    .reduce((sum, { textContent }) => sum + textContent.length, 0);
  const drafts = texts.flatMap(({ path, blocks }) => {
    const whole = { blocks, title: '' };
    const divided = length < SHORT ? [whole] : withoutBareHeadings(cutAtHeadings(whole));
    return divided.map((part, index): ChapterDraft => ({
      id: (index === 0 && chapters.get(path)) || mint(),
      matter: 'main',
      doc: schema.node('doc', null, part.blocks.length > 0 ? part.blocks : [schema.node('paragraph')]),
    }));
  });
  return assemble(details, drafts, {
    ...{ enclosures, tally, mint, notes },
    ...(read.structure ? { structure: read.structure } : {}),
    ...(read.publication ? { publication: read.publication } : {}),
  });
}

const bodyOf = (document: Document): Element[] =>
  getElementsByTagName('body', document.children, true).slice(0, 1);

/** The language that a page says it is in; empty where it says none. */
export function languageOfPage(document: Document): string {
  const html = findOne((element) => element.name === 'html', document.children, true);
  return html?.attribs.lang ?? html?.attribs['xml:lang'] ?? '';
}
