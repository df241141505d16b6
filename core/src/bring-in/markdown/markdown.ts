import type { Document } from 'domhandler';
import { getElementsByTagName, textContent } from 'domutils';
import { decodeText } from '../../page/index.js';
import { CONTENTS, TOP } from '../../manuscript/index.js';
import type { BroughtIn } from '../book/brought-in.js';
import { Enclosures } from '../book/enclosures.js';
import { pathFrom } from '../book/link-resolver.js';
import { BringInError } from '../book/refusal.js';
import { Tally } from '../book/report.js';
import { Tidy } from '../book/tidy.js';
import type { Trials } from '../book/trials.js';
import { readPages } from '../page/read-pages.js';
import { frontMatterOf, type FrontMatter } from './front-matter.js';
import { addressesIn, idsWanted, nameHeadings, pageOf } from './page.js';

const ENDS = /\.(?:md|markdown|mdown|mkdn?)$/i;

export const isMarkdownName = (name: string): boolean => ENDS.test(name);

/** True for an archive that holds texts in Markdown. */
export const holdsMarkdown = (files: ReadonlyMap<string, unknown>): boolean => textsIn(files).length > 0;

const textsIn = (files: ReadonlyMap<string, unknown>): string[] =>
  [...files.keys()]
    .filter((path) => isMarkdownName(path) && !/(?:^|\/)[._]/.test(path))
    .sort((one, other) => one.localeCompare(other, 'en', { numeric: true }));

interface Text extends FrontMatter {
  path: string;
  document: Document;
}

/**
 * Reads texts in Markdown as a book: one, or all of a folder with their pictures. They stand in the order in which one of them lists the
 * others, else by their names.
 *
 * @throws BringInError when there is nothing to read in them
 */
export function readMarkdown(
  files: Map<string, Uint8Array>,
  name: string,
  mint: () => string,
  trials: Trials,
): BroughtIn {
  const tally = new Tally();
  const tidy = new Tidy(tally);
  const texts = textsIn(files).map((path): Text => {
    const front = frontMatterOf(decodeText(files.get(path) ?? new Uint8Array(), /$^/));
    return { ...front, path, document: tidy.tree(pageOf(front.text)) };
  });
  if (texts.length === 0)
    throw new BringInError(
      'empty',
      'There is no text in Markdown in this archive. Choose the file that holds your book.',
    );
  const list = listAmong(texts);
  const ordered = list ? inOrderOf(list, texts) : texts;
  const pages = list && isOnlyList(list) ? ordered.filter((text) => text !== list) : ordered;
  const wanted = new Map<string, Set<string>>();
  for (const { path, document } of texts)
    for (const address of addressesIn(document)) {
      const target = pathFrom(path, address);
      wanted.set(
        target,
        idsWanted(
          [...(wanted.get(target) ?? []), address].map((one) => (one.includes('#') ? one : `#${one}`)),
        ),
      );
    }
  for (const { path, document } of pages) nameHeadings(document, wanted.get(path) ?? new Set());
  const said = texts.map((text) => text.said);
  const first = (field: 'title' | 'subtitle' | 'author' | 'language' | 'description') =>
    said.map((one) => one[field] ?? '').find((words) => words !== '') ?? '';
  const publication = texts.find((text) => text.publication)?.publication;
  return readPages({
    pages,
    said: {
      title: first('title') || (pages.length === 1 ? headingOf(pages[0]) : ''),
      subtitle: first('subtitle'),
      author: first('author'),
      language: first('language'),
      description: first('description'),
    },
    ...{ mint, tally, trials },
    name: name.replace(/\.\w+$/, ''),
    enclosures: new Enclosures(files, mint, tally, trials.isWhole),
    fileNamed: (src, path) => {
      const file = pathFrom(path, src);
      return files.has(file) ? file : '';
    },
    known: new Map([
      [`#${TOP}`, { kind: 'place', place: TOP }],
      [`#${CONTENTS}`, { kind: 'place', place: CONTENTS }],
    ]),
    ...(list && !pages.includes(list) ? { made: new Map([[list.path, CONTENTS]]) } : {}),
    ...(publication ? { publication } : {}),
  });
}

const headingOf = (text: Text | undefined): string =>
  textContent(getElementsByTagName('h1', text?.document.children ?? [])[0] ?? []).trim();

const linkedFrom = ({ path, document }: Text): string[] =>
  addressesIn(document).map((address) => pathFrom(path, address));

/** The text that lists most of the others. */
function listAmong(texts: readonly Text[]): Text | undefined {
  const others = new Set(texts.map(({ path }) => path));
  return texts.length < 3
    ? undefined
    : texts.find(
        (text) =>
          new Set(linkedFrom(text).filter((path) => path !== text.path && others.has(path))).size >=
          (texts.length - 1) * 0.8,
      );
}

function inOrderOf(list: Text, texts: readonly Text[]): Text[] {
  const order = linkedFrom(list);
  const at = (text: Text) =>
    text === list ? -1 : order.includes(text.path) ? order.indexOf(text.path) : order.length;
  return [...texts].sort((one, other) => at(one) - at(other));
}

/** Nothing but headings and links: what a list of contents that is made anew says as well. */
function isOnlyList({ document }: Text): boolean {
  const words = (names: string[]) =>
    getElementsByTagName((name) => names.includes(name), document.children)
      .map((one) => textContent(one))
      .join('')
      .replace(/\s+/g, '').length;
  const all = textContent(getElementsByTagName('body', document.children)).replace(/\s+/g, '').length;
  return all - words(['a', 'h1', 'h2', 'h3']) < all * 0.1;
}
