import { isTag, isText, type ChildNode, type Document, type Element } from 'domhandler';
import { findOne, getElementsByTagName } from 'domutils';
import type { Node } from 'prosemirror-model';
import { decodeLoosely } from '../../destination/index.js';
import { DRAWN_COVER, groupedBy, schema, type Matter } from '../../manuscript/index.js';
import { assemble, type ChapterDraft } from '../book/assemble.js';
import type { BroughtIn } from '../book/brought-in.js';
import { detailsFrom } from '../book/details.js';
import { divided, type Part } from '../book/division.js';
import { Enclosures } from '../book/enclosures.js';
import { Ids, idsOf } from '../book/ids.js';
import { pathFrom, resolveHref } from '../book/link-resolver.js';
import { BringInError } from '../book/refusal.js';
import { Tally } from '../book/report.js';
import { Tidy } from '../book/tidy.js';
import { sampleOf, type Trials } from '../book/trials.js';
import { hasContent, readFlow } from '../flow/flow.js';
import type { Surroundings as Around } from '../flow/inline-reader.js';
import { pageBreaksIn, type PageBreaks } from '../flow/layout.js';
import { NO_STYLES, sheetsIn } from '../flow/link-styles.js';
import { madeAnew } from './made-anew.js';
import { linesOfNav, linesOfNcx, type ContentsLine } from './own-contents.js';
import { detailsOf, publicationOf } from './own-details.js';
import { elements, flat, parseXml, textOf } from '../book/xml.js';
import { parseXhtml } from './package-xml.js';

interface ContentFile {
  path: string;
  document: Document;
  body: Element;
  chapter: string;
}

interface Spine {
  contents: ContentFile[];
  /** The contents that the e-book has of its own. */
  lines: ContentsLine[];
  /** Pages that are made anew from the book: their places, by path. */
  made: Map<string, string>;
}

interface Package {
  path: string;
  document: Document;
}

/** Algorithms that only scramble fonts (EPUB 3.3, 4.3; the second is common practice): the text can be read. */
const FONT_SCRAMBLING = /^http:\/\/(?:www\.idpf\.org\/2008\/embedding|ns\.adobe\.com\/pdf\/enc#RC)$/;

/**
 * Reads the files of an EPUB 2 or 3 container as a book, a chapter for each item of its spine.
 *
 * @throws BringInError when it is encrypted or has no package document, no spine or no text
 */
export function readEpub(
  packed: Map<string, Uint8Array>,
  name: string,
  mint: () => string,
  { isWhole, guessLanguage }: Trials,
): BroughtIn {
  const files = withoutFolder(packed);
  refuseEncrypted(files);
  const opf = packageOf(files);
  const tally = new Tally();
  const ids = new Ids(tally);
  const enclosures = new Enclosures(files, mint, tally, isWhole);
  const { contents, made, lines } = spineOf(opf, files, tally, mint, new Tidy(tally));
  for (const { path, document } of contents) ids.takeFrom(path, document);
  const chapters = new Map(contents.map(({ path, chapter }) => [path, chapter]));
  const drafts: ChapterDraft[] = [];
  const running = runningTitles(contents, textOf(opf.document, 'title'));
  const notes = { marks: new Set<string>(), backs: new Set<string>() };
  const fileAt = (path: string) => enclosures.fromFile(path);
  const breaksOf = breaksBySheets(files);
  for (const { path, body, document, chapter } of contents) {
    const html = findOne(({ name }) => name === 'html', document.children, true)?.attribs;
    const around: Around = {
      tally,
      mint,
      placeId: ids.placer(path),
      resolve: (href) => resolveHref(href, path, { ids, chapters, made, outside: null, fileAt }),
      picture: (src) => enclosures.fromSource(src, pathFrom(path, src)),
      sizeOf: (enclosure) => enclosures.sizeOf(enclosure),
      linksIn: (enclosure) => enclosures.linksIn(enclosure),
      drawing: (svg) => enclosures.fromDrawing(svg),
      notes,
      styles: NO_STYLES,
      breaks: breaksOf(document, path),
    };
    const blocks = readFlow([body], around, html?.lang ?? html?.['xml:lang']);
    const title = textOf(document, 'title');
    const own = lines.filter((line) => line.path === path);
    const parts = partsOf(blocks, running.has(title) ? '' : title, own, body, (id) => ids.find(path, id));
    for (const [index, part] of parts.entries())
      drafts.push({
        id: index === 0 ? chapter : mint(),
        matter: matterOf(body),
        doc: schema.node('doc', null, part.blocks.length > 0 ? part.blocks : [schema.node('paragraph')]),
        title: part.title,
      });
  }
  if (!drafts.some((draft) => hasContent(draft.doc.children)))
    throw new BringInError('empty', 'There is no text in this e-book that could be brought in.');
  const said = detailsOf(opf.document, name);
  const pictureAt = (href: string) => {
    const path = pathFrom(opf.path, href);
    if (new TextDecoder().decode(files.get(path)).includes(`id="${DRAWN_COVER}"`)) return null;
    return enclosures.fromSource(href, path);
  };
  const publication = publicationOf(opf.document, pictureAt, tally);
  const guess = () => guessLanguage(sampleOf(drafts.map(({ doc }) => doc.children)));
  const levels = levelsListed(lines);
  return assemble(detailsFrom(said, tally, guess), drafts, {
    ...{ enclosures, tally, mint, notes },
    structure: levels === undefined ? {} : { listed: levels },
    ...(publication ? { publication } : {}),
  });
}

/** What begins a page in each file of an e-book, by its own style sheets and those that it names; each set of them is read once. */
function breaksBySheets(
  files: ReadonlyMap<string, Uint8Array>,
): (document: Document, path: string) => PageBreaks {
  const known = new Map<string, PageBreaks>();
  return (document, path) => {
    const named = getElementsByTagName('link', document.children, true)
      .filter(({ attribs }) => /\bstylesheet\b/i.test(attribs.rel ?? ''))
      .map(({ attribs }) => new TextDecoder().decode(files.get(pathFrom(path, attribs.href ?? ''))));
    const sheets = [...named, ...sheetsIn(document)];
    const key = sheets.join('\n');
    const breaks = known.get(key) ?? pageBreaksIn(sheets);
    known.set(key, breaks);
    return breaks;
  };
}

/** How many levels of headings the contents list within one file: a part of several files stands above them. */
function levelsListed(lines: readonly ContentsLine[]): number | undefined {
  const files = [...groupedBy(lines, ({ path }) => path).values()];
  const levels = files.map((own) => {
    const depths = own.map(({ depth }) => depth);
    return Math.max(...depths) - Math.min(...depths) + 1;
  });
  return levels.length === 0 ? undefined : Math.min(6, Math.max(...levels));
}

/** The files of an e-book that was packed with a folder around them, as if it had been packed without. */
function withoutFolder(files: Map<string, Uint8Array>): Map<string, Uint8Array> {
  const inside = '/META-INF/container.xml';
  const container = [...files.keys()].find((path) => path.endsWith(inside) && path.split('/').length === 3);
  if (files.has(inside.slice(1)) || container === undefined) return files;
  const folder = container.slice(0, 1 - inside.length);
  return new Map(
    [...files].flatMap(([path, bytes]) =>
      path.startsWith(folder) ? [[path.slice(folder.length), bytes]] : [],
    ),
  );
}

function refuseEncrypted(files: Map<string, Uint8Array>): void {
  const encryption = files.get('META-INF/encryption.xml');
  if (!encryption) return;
  const methods = elements(parseXml(encryption), 'EncryptionMethod');
  if (methods.some((method) => !FONT_SCRAMBLING.test(method.attribs.Algorithm ?? '')))
    throw new BringInError(
      'encrypted',
      'This e-book is encrypted, so its text can’t be read. Bring in the copy that it was made from.',
    );
}

function packageOf(files: Map<string, Uint8Array>): Package {
  const container = files.get('META-INF/container.xml');
  const path = container ? elements(parseXml(container), 'rootfile')[0]?.attribs['full-path'] : undefined;
  const bytes = path ? files.get(path) : undefined;
  if (!path || !bytes)
    throw new BringInError(
      'no-package',
      'This is an archive, but not an e-book: it has no package document. Choose an EPUB file.',
    );
  return { path, document: parseXml(bytes) };
}

function spineOf(
  opf: Package,
  files: Map<string, Uint8Array>,
  tally: Tally,
  mint: () => string,
  tidy: Tidy,
): Spine {
  const made = new Map<string, string>();
  const items = elements(opf.document, 'item');
  const manifest = new Map(items.map((item) => [item.attribs.id, item]));
  const guide = new Map(
    elements(opf.document, 'reference').map(({ attribs }) => [
      pathFrom(opf.path, attribs.href ?? ''),
      (attribs.type ?? '').toLowerCase(),
    ]),
  );
  const contents: ContentFile[] = [];
  for (const reference of elements(opf.document, 'itemref')) {
    const item = manifest.get(reference.attribs.idref ?? '');
    const path = item ? pathFrom(opf.path, item.attribs.href ?? '') : '';
    const bytes = files.get(path);
    if (!item || !bytes) {
      tally.add('leftOut', 'chapters', 'their files are not in the e-book');
    } else if (!/html/i.test(item.attribs['media-type'] ?? '') && reference.attribs.linear === 'no') {
      continue; // a file outside the reading order comes along with the links that lead to it
    } else if (!/html/i.test(item.attribs['media-type'] ?? '')) {
      tally.add('leftOut', 'pages', `they are not text but ${item.attribs['media-type']}`);
    } else if (!contents.some((one) => one.path === path)) {
      const document = tidy.tree(parseXhtml(bytes));
      const body = getElementsByTagName('body', document.children, true)[0];
      const place = body && madeAnew(item, body, guide.get(path) ?? '', tally);
      if (place) made.set(path, place);
      else if (body) contents.push({ path, document, body, chapter: mint() });
    }
  }
  if (contents.length === 0) throw new BringInError('no-package', 'This e-book has no readable chapters.');
  return { contents, made, lines: linesOf(opf, items, files) };
}

/** The lines of the e-book's own contents: of its navigation document, else of its NCX. */
function linesOf(opf: Package, items: readonly Element[], files: Map<string, Uint8Array>): ContentsLine[] {
  const nav = items.find(({ attribs }) => attribs.properties?.split(' ').includes('nav'));
  const ncx = items.find(({ attribs }) => attribs['media-type'] === 'application/x-dtbncx+xml');
  for (const [item, read, linesFrom] of [
    [nav, (bytes: Uint8Array) => flat(parseXhtml(bytes)), linesOfNav],
    [ncx, parseXml, linesOfNcx],
  ] as const) {
    const path = item ? pathFrom(opf.path, item.attribs.href ?? '') : '';
    const bytes = files.get(path);
    if (!bytes) continue;
    const lines = linesFrom(read(bytes), (reference) => ({
      path: pathFrom(path, reference),
      fragment: decodeLoosely(/#(.*)$/.exec(reference)?.[1] ?? ''),
    }));
    if (lines.length > 0) return lines;
  }
  return [];
}

/** The chapters that a page is, by the lines of the contents that lead into it; `title` is its own. */
function partsOf(
  blocks: Node[],
  title: string,
  lines: readonly ContentsLine[],
  body: Element,
  placeOf: (id: string) => string | undefined,
): Part[] {
  const atStart = lines.length > 0 ? idsBeforeWords(body) : new Set<string>();
  const isStart = ({ fragment }: ContentsLine) => fragment === '' || atStart.has(fragment);
  const cuts = lines.flatMap((line) => {
    const place = isStart(line) ? undefined : placeOf(line.fragment);
    return place ? [{ place, depth: line.depth, title: line.title }] : [];
  });
  const highest = Math.min(...lines.map(({ depth }) => depth));
  return divided(blocks, lines.find(isStart)?.title || title, cuts, highest);
}

/** The ids that stand before the first words of a page. */
function idsBeforeWords(body: Element): Set<string> {
  const ids = new Set<string>();
  const walk = (node: ChildNode): boolean => {
    if (isText(node)) return node.data.trim() === '';
    if (!isTag(node)) return true;
    for (const id of idsOf(node)) ids.add(id);
    return node.name !== 'img' && node.children.every(walk);
  };
  walk(body);
  return ids;
}

/** Titles that say nothing of their page: those of several pages, of the book, and of the contents. */
function runningTitles(contents: readonly ContentFile[], book: string): Set<string> {
  const seen = new Set<string>();
  const running = new Set([book]);
  for (const { document } of contents) {
    const title = textOf(document, 'title');
    if (seen.has(title) || isContentsTitle(title)) running.add(title);
    seen.add(title);
  }
  return running;
}

const isContentsTitle = (title: string): boolean =>
  /^(?:navigation|table of contents|contents|toc|inhalt|inhaltsverzeichnis|table des mati[eè]res|sommaire|[íi]ndice|sum[aá]rio|inhoud|cover|unknown|untitled.*)$/i.test(
    title,
  );

const FRONT =
  /\b(?:frontmatter|cover|titlepage|halftitlepage|copyright-page|dedication|epigraph|foreword|preface|toc|landmarks|acknowledgments)\b/;
const BACK = /\b(?:backmatter|appendix|afterword|glossary|bibliography|index|colophon|endnotes)\b/;

/** Where a chapter stands, by the `epub:type` of its body or of the section that it consists of. */
function matterOf(body: Element): Matter {
  const section = findOne((element) => element.name === 'section' && isTag(element), body.children, false);
  const types = `${body.attribs['epub:type'] ?? ''} ${section?.attribs['epub:type'] ?? ''}`;
  return FRONT.test(types) ? 'front' : BACK.test(types) ? 'back' : 'main';
}
