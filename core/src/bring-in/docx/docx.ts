import { Document, type Element } from 'domhandler';
import { getElementsByTagName, textContent } from 'domutils';
import { CONTENTS, TOP, type Structure } from '../../manuscript/index.js';
import type { BroughtIn } from '../book/brought-in.js';
import { Enclosures } from '../book/enclosures.js';
import { BringInError } from '../book/refusal.js';
import { Tally } from '../book/report.js';
import { Tidy } from '../book/tidy.js';
import type { Trials } from '../book/trials.js';
import { below, childNamed, element, inside } from '../page/elements.js';
import { remarkParagraphs } from '../page/remark.js';
import { cleanLinks } from '../page/link-ends.js';
import { withoutLabels } from '../page/labels.js';
import { readPages } from '../page/read-pages.js';
import { withoutTitlePage } from '../page/title-page.js';
import { Body, type Written } from './body.js';
import { BOOK_CONTENTS, Bookmarks, DOCUMENT_TOP } from './bookmarks.js';
import { publicationIn, saidIn } from './details.js';
import { Numbering } from './numbering.js';
import { Package } from './package.js';
import { isOn, lookOf, Styles, valueOf } from './styles.js';

/** English Metric Units in a twentieth of a point; an A4 page with margins of an inch, where nothing is said. */
const TWENTIETH = 635;
const USUAL_LINE = 9026 * TWENTIETH;

/**
 * Reads a document of a word processor as a book (ECMA-376, WordprocessingML, transitional and strict).
 *
 * @throws BringInError when it holds no such document, or nothing to read
 */
export function readDocx(
  files: Map<string, Uint8Array>,
  name: string,
  mint: () => string,
  trials: Trials,
): BroughtIn {
  const pack = new Package(files);
  const path = pack.main;
  const document = path === '' ? null : pack.part(path);
  const body = document && inside(document)[0] ? childNamed(inside(document)[0] ?? null, 'w:body') : null;
  if (!document || !body)
    throw new BringInError(
      'no-package',
      'This is a file of an office program, but not a document of text. Choose the .docx file that holds your book.',
    );
  const tally = new Tally();
  const enclosures = new Enclosures(files, mint, tally, trials.isWhole);
  tellOfParts(files, pack, path, tally);
  const styles = new Styles(pack.related(path, 'styles')?.document ?? null);
  const numbering = new Numbering(pack.related(path, 'numbering')?.document ?? null);
  const remarks = { footnote: pack.related(path, 'footnotes'), endnote: pack.related(path, 'endnotes') };
  const parts = [document, ...Object.values(remarks).flatMap((one) => one?.document ?? [])];
  const isCounted = countsHeadings(styles, numbering);
  const addresses = [path, ...Object.values(remarks).flatMap((one) => one?.path ?? [])].flatMap((one) =>
    [...pack.relationsOf(one).values()].map(({ target }) => target),
  );
  const bookmarks = new Bookmarks(parts, addresses, styles, isCounted);
  const language = languageOfMost(document, styles);
  const notes = { footnote: 0, endnote: 0 };
  const around = {
    tally,
    styles,
    numbering,
    bookmarks,
    language,
    isCounted,
    lineWidth: lineWidthIn(body),
    hasLinkStyle: hasLinkStyle(parts, styles),
    addressOf: (target: string) =>
      target.startsWith('#') ? `#${bookmarks.target(target.slice(1)).id}` : target,
    sizeOf: (src: string) => {
      const id = files.has(src) ? enclosures.fromSource(src, src) : null;
      return id === null ? null : enclosures.sizeOf(id);
    },
  };
  const written: Written = {
    ...around,
    remark(kind, id) {
      const part = remarks[kind];
      const source = part && remarkOf(part.document, id);
      if (!source) return [];
      notes[kind]++;
      return remarkParagraphs(
        new Body({ ...written, remark: () => [] }, pack.relationsOf(part.path)).read(source),
      );
    },
  };
  const blocks = new Body(written, pack.relationsOf(path)).read(body);
  const page = new Document([element('html', {}, [element('body', {}, blocks)])]);
  cleanLinks(page, tally);
  if (isCounted) withoutLabels(page);
  const said = saidIn(pack.related('', 'core-properties')?.document ?? null);
  const details = withoutTitlePage(page, said);
  const settings = pack.related(path, 'settings')?.document ?? null;
  const publication = publicationIn(pack.related('', 'core-properties')?.document ?? null);
  return readPages({
    pages: [{ path: '', document: new Tidy(tally).tree(page) }],
    said: { ...details, language: language || said.language },
    ...{ name: name.replace(/\.\w+$/, ''), mint, tally, enclosures, trials },
    fileNamed: (src) => (files.has(src) ? src : ''),
    known: new Map([
      [`#${DOCUMENT_TOP}`, { kind: 'place', place: TOP }],
      [`#${BOOK_CONTENTS}`, { kind: 'place', place: CONTENTS }],
    ]),
    structure: structureFrom(body, settings, notes, isCounted),
    ...(publication ? { publication } : {}),
  });
}

/** What stands in parts of the package beside the text. */
function tellOfParts(
  files: ReadonlyMap<string, Uint8Array>,
  pack: Package,
  path: string,
  tally: Tally,
): void {
  if ([...files.keys()].some((one) => /vbaProject\.bin$|vbaData\.xml$/i.test(one)))
    tally.add('leftOut', 'macros', 'programs are never kept');
  const comments = pack.related(path, 'comments')?.document;
  for (const comment of comments ? getElementsByTagName('w:comment', comments.children) : []) {
    const text = textContent(comment).replace(/\s+/g, ' ').trim();
    const author = comment.attribs['w:author'] ?? '';
    if (text !== '')
      tally.add('leftOut', 'comments', `${author === '' ? '' : `${author}: `}“${text.slice(0, 500)}”`);
  }
  for (const { type, target } of pack.relationsOf(path).values()) {
    if (type !== 'header' && type !== 'footer') continue;
    const part = pack.part(target);
    if (part && getElementsByTagName('w:t', part.children).some((one) => textContent(one).trim() !== ''))
      tally.add('leftOut', 'headers and footers', 'a made file has its own at the edges of its pages');
  }
}

function remarkOf(part: Document, id: string): Element | null {
  const root = inside(part)[0];
  return (
    (root ? inside(root) : []).find(
      ({ attribs }) => attribs['w:id'] === id && !/separator/i.test(attribs['w:type'] ?? ''),
    ) ?? null
  );
}

/** Headings that are numbered 1, 1.1, 1.1.1 by their styles are counted in the book as well. */
function countsHeadings(styles: Styles, numbering: Numbering): boolean {
  const levels = [1, 2, 3].map((level) => {
    const said = styles.headingStyle(level)?.number;
    return said?.list === undefined ? null : numbering.levelOf({ list: said.list, level: said.level ?? 0 });
  });
  const [first, second] = levels;
  if (!first || first.format !== 'decimal' || !/^%1\.?$/.test(first.text.trim())) return false;
  return !second || /^%1\.%2\.?$/.test(second.text.trim());
}

function hasLinkStyle(parts: readonly Document[], styles: Styles): boolean {
  return parts.some((part) =>
    getElementsByTagName('w:hyperlink', part.children).some((link) =>
      inside(link).some((run) => styles.isLink(valueOf(childNamed(run, 'w:rPr'), 'w:rStyle'))),
    ),
  );
}

/** The language of most letters of a document; empty where none is said. */
function languageOfMost(document: Document, styles: Styles): string {
  const letters = new Map<string, number>();
  for (const run of getElementsByTagName('w:r', document.children)) {
    const properties = childNamed(run, 'w:rPr');
    const own = lookOf(childNamed(properties, 'w:lang') ? properties : null).languages ?? styles.languages;
    if (!own) continue;
    const tag = isOn(properties, 'w:rtl') ? own.bidirectional : own.plain;
    for (const { name, children } of inside(run))
      if (name === 'w:t') {
        const text = children.map((one) => ('data' in one ? String(one.data) : '')).join('');
        const isEastern = /[\p{sc=Han}\p{sc=Hiragana}\p{sc=Katakana}\p{sc=Hangul}]/u.test(text);
        const spoken = isEastern ? own.eastern || tag : tag;
        letters.set(spoken, (letters.get(spoken) ?? 0) + text.length);
      }
  }
  return [...letters].sort(([, one], [, other]) => other - one)[0]?.[0] ?? '';
}

/** The width of the lines of a document's last section. */
function lineWidthIn(body: Element): number {
  const section = childNamed(body, 'w:sectPr');
  const side = (name: string, attribute: string) =>
    Number(childNamed(section, name)?.attribs[attribute] ?? NaN);
  const width = side('w:pgSz', 'w:w') - side('w:pgMar', 'w:left') - side('w:pgMar', 'w:right');
  return width > 0 ? width * TWENTIETH : USUAL_LINE;
}

/** How the book counts, by what its document says. Notes are counted through a document unless it begins anew in each part. */
function structureFrom(
  body: Element,
  settings: Document | null,
  notes: { footnote: number; endnote: number },
  isCounted: boolean,
): Partial<Structure> {
  const root = settings ? (inside(settings)[0] ?? null) : null;
  const sections = getElementsByTagName('w:sectPr', body.children);
  const isAnew = [root, ...sections].some(
    (one) => valueOf(below(one, 'w:footnotePr'), 'w:numRestart') === 'eachSect',
  );
  const stand =
    notes.footnote > 0 || notes.endnote === 0
      ? 'page'
      : valueOf(below(root, 'w:endnotePr'), 'w:pos') === 'sectEnd'
        ? 'chapter'
        : 'book';
  return {
    ...(isCounted ? { numbering: 'decimal' } : {}),
    ...(notes.footnote + notes.endnote > 0
      ? { notes: { count: isAnew ? 'chapter' : 'book', stand, back: '' } }
      : {}),
  };
}
