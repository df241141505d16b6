import { parseDocument } from 'htmlparser2';
import { Document, type Element } from 'domhandler';
import { getElementsByTagName, textContent } from 'domutils';
import { CONTENTS, NO_PUBLICATION, TOP, type Publication } from '../../manuscript/index.js';
import type { BroughtIn } from '../book/brought-in.js';
import { Enclosures } from '../book/enclosures.js';
import { BringInError } from '../book/refusal.js';
import { Tally } from '../book/report.js';
import { Tidy } from '../book/tidy.js';
import type { Trials } from '../book/trials.js';
import { withinReach } from '../book/within-reach.js';
import { decodeXml, elements, textOf } from '../book/xml.js';
import { element } from '../page/elements.js';
import { withoutLabels } from '../page/labels.js';
import { cleanLinks } from '../page/link-ends.js';
import { readPages } from '../page/read-pages.js';
import { withoutTitlePage } from '../page/title-page.js';
import { Body, lengthOf, type Written } from './body.js';
import { BOOK_CONTENTS, BOOK_TOP, Places } from './places.js';
import { Styles } from './styles.js';

/** Millimetres in a pixel of CSS; the line of an A4 page with margins of 2 cm, where nothing is said. */
const PIXEL = 25.4 / 96;
const USUAL_LINE = 170;

/**
 * Reads a text document as a book (ISO/IEC 26300, OpenDocument).
 *
 * @throws BringInError when it is locked, or is no document of text
 */
export function readOdt(
  files: Map<string, Uint8Array>,
  name: string,
  mint: () => string,
  trials: Trials,
): BroughtIn {
  const part = (path: string): Document | null => {
    const bytes = files.get(path);
    return bytes ? withinReach(parseDocument(decodeXml(bytes), { xmlMode: true })) : null;
  };
  const manifest = part('META-INF/manifest.xml');
  if (manifest && elements(manifest, 'encryption-data').length > 0)
    throw new BringInError(
      'encrypted',
      'This document is locked with a password, so its text can’t be read. Save a copy without one, and bring that in.',
    );
  const content = part('content.xml');
  const [body] = content ? getElementsByTagName('office:text', content.children, true, 1) : [];
  if (!content || !body)
    throw new BringInError(
      'no-package',
      'This is an OpenDocument file, but not a document of text. Choose the .odt file that holds your book.',
    );
  const tally = new Tally();
  const enclosures = new Enclosures(files, mint, tally, trials.isWhole);
  if (
    [...files.keys()].some(
      (path) => /^(?:Basic|Scripts)\/.*[^/]$/.test(path) && !/\/script-l[bc]\.xml$/.test(path),
    )
  )
    tally.add('leftOut', 'macros', 'programs are never kept');
  const common = part('styles.xml');
  const styles = new Styles([common, content]);
  const places = new Places(content);
  for (const link of getElementsByTagName(
    (tag) => tag === 'text:a' || tag === 'draw:a' || tag.startsWith('draw:area'),
    content.children,
  ))
    places.addressOf(link.attribs['xlink:href'] ?? '');
  const meta = part('meta.xml');
  const text = (tag: string) => (meta ? textOf(meta, tag) : '');
  const language = languageOfMost(body, styles) || text('language');
  const written: Written = {
    ...{ tally, styles, places, language },
    lineWidth: lineWidthIn(common),
    notes: { footnote: 0, endnote: 0 },
    formula: (path) => formulaIn(part(`${path}/content.xml`)),
    widthOf(path) {
      const id = files.has(path) ? enclosures.fromSource(path, path) : null;
      return ((id === null ? null : enclosures.sizeOf(id))?.width ?? 0) * PIXEL;
    },
  };
  const page = new Document([element('html', {}, [element('body', {}, new Body(written).read(body))])]);
  cleanLinks(page, tally);
  if (styles.isCounted) withoutLabels(page);
  const said = withoutTitlePage(page, {
    title: text('title'),
    author: text('initial-creator') || text('creator'),
    language,
    description: text('description'),
  });
  const publication = publicationIn(meta);
  const { footnote, endnote } = written.notes;
  const counts = common
    ? elements(common, 'notes-configuration')[0]?.attribs['text:start-numbering-at']
    : undefined;
  return readPages({
    pages: [{ path: '', document: new Tidy(tally).tree(page) }],
    ...{ said, mint, tally, enclosures, trials },
    name: name.replace(/\.\w+$/, ''),
    known: new Map([
      [`#${BOOK_TOP}`, { kind: 'place', place: TOP }],
      [`#${BOOK_CONTENTS}`, { kind: 'place', place: CONTENTS }],
    ]),
    fileNamed: (src) => (files.has(src) ? src : ''),
    structure: {
      ...(styles.isCounted ? { numbering: 'decimal' } : {}),
      ...(footnote + endnote > 0
        ? {
            notes: {
              count: counts === 'chapter' ? 'chapter' : 'book',
              stand: footnote > 0 ? 'page' : 'book',
              back: '',
            },
          }
        : {}),
    },
    ...(publication ? { publication } : {}),
  });
}

function formulaIn(content: Document | null): Element | null {
  return content ? (elements(content, 'math')[0] ?? null) : null;
}

function publicationIn(meta: Document | null): Publication | undefined {
  if (!meta) return undefined;
  const subjects = [...elements(meta, 'subject'), ...elements(meta, 'keyword')]
    .map((one) => textContent(one).trim())
    .filter((one) => one !== '');
  return subjects.length > 0 ? { ...NO_PUBLICATION, subjects } : undefined;
}

/** The width of the lines of a document's first page layout. */
function lineWidthIn(common: Document | null): number {
  const [layout] = common ? elements(common, 'page-layout-properties') : [];
  const side = (name: string) => lengthOf(layout?.attribs[name]);
  const width = side('fo:page-width') - side('fo:margin-left') - side('fo:margin-right');
  return width > 0 ? width : USUAL_LINE;
}

/** The language of most letters of a document; empty where none is said. */
function languageOfMost(body: Element, styles: Styles): string {
  const letters = new Map<string, number>();
  for (const paragraph of getElementsByTagName(
    (tag) => tag === 'text:p' || tag === 'text:h',
    body.children,
  )) {
    const { languages } = styles.paragraph(paragraph.attribs['text:style-name'] ?? '').look;
    const text = textContent(paragraph);
    const isEastern = /[\p{sc=Han}\p{sc=Hiragana}\p{sc=Katakana}\p{sc=Hangul}]/u.test(text);
    const tag = (isEastern ? languages?.eastern : languages?.plain) ?? '';
    letters.set(tag, (letters.get(tag) ?? 0) + text.length);
  }
  return [...letters].sort(([, one], [, other]) => other - one)[0]?.[0] ?? '';
}
