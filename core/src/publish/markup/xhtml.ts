import { directionOf } from '../../language/index.js';
import type { Mark, Node } from 'prosemirror-model';
import type { Destination } from '../../destination/index.js';
import { readFormula } from '../../cleaning/index.js';
import { fileTold, nameInFile, windowTold } from '../../reader/index.js';
import {
  attrsOf,
  beginsPage,
  CREDIT,
  figureParts,
  NEW_PAGE,
  roomClass,
  roomLines,
  saidOfPicture,
  SMALL_CAPITALS,
  spans,
  type AreaFrame,
  type LinkAbout,
  type LinkArea,
  type LinkLook,
} from '../../manuscript/index.js';
import { otherDirection, unlessOfBook } from '../edition/direction.js';
import { targetIn, toldIn } from '../edition/edition.js';
import { inlineTree, wordsOfTree, type InlineTree } from '../edition/inline-tree.js';
import { lookClass } from './looks.js';
import type { PageContext } from './page-context.js';
import { isReturnLine } from '../edition/return-lines.js';
import { contentsList, noteMark, numberOf, reference, returnLink } from './xhtml-inside.js';
import type { WithBook } from '../edition/with-book.js';
import { element, escapeXml } from './xml.js';

type Write = (node: Node, page: PageContext) => string;

const plain =
  (name: string): Write =>
  (node, page) =>
    element(
      name,
      { id: page.once(node.attrs.id), dir: otherDirection(node, page.edition) },
      content(node, page),
    );

const cell =
  (name: 'td' | 'th'): Write =>
  (node, page) =>
    element(
      name,
      { id: page.once(node.attrs.id), dir: otherDirection(node, page.edition), ...spans(node.attrs) },
      content(node, page),
    );

/** One writer a node. */
const writers: Record<string, Write> = {
  paragraph: (node, page) =>
    element(
      'p',
      {
        id: page.once(node.attrs.id),
        class: pageClass(node),
        dir: otherDirection(node, page.edition),
        'data-computed': isReturnLine(node) ? '' : null,
      },
      content(node, page),
    ),
  quotation: plain('blockquote'),
  bullet_list: plain('ul'),
  term_list: plain('dl'),
  term: plain('dt'),
  meaning: plain('dd'),
  list_item: (node, page) => {
    const only =
      node.childCount === 1 && node.firstChild?.type.name === 'paragraph' && !node.firstChild.attrs.id;
    return element(
      'li',
      { id: page.once(node.attrs.id), dir: otherDirection(node, page.edition) },
      only ? inline(node.child(0), page) : content(node, page),
    );
  },
  // Its rows stand beside the caption: HTML puts the body around them by itself.
  table_body: (node, page) => content(node, page).trimEnd(),
  table_row: plain('tr'),
  table_cell: cell('td'),
  table_header: cell('th'),
  table: (node, page) =>
    element('table', { id: page.once(node.attrs.id) }, content(node, { ...page, captionOf: node.attrs.id })),
  table_caption: (node, page) =>
    element(
      'caption',
      { dir: otherDirection(node, page.edition) },
      numberOf(page.captionOf, page, ' ') + content(node, page),
    ),
  contents: contentsList,
  heading: (node, page) => {
    const { id, level, uncounted } = attrsOf.heading(node);
    const attributes = {
      id: page.once(id),
      class: pageClass(node),
      dir: otherDirection(node, page.edition),
      'data-uncounted': uncounted ? '' : null,
    };
    return element(`h${level}`, attributes, numberOf(id, page, ' ') + content(node, page));
  },
  ordered_list: (node, page) => {
    const { id, start } = attrsOf.orderedList(node);
    const attributes = {
      id: page.once(id),
      dir: otherDirection(node, page.edition),
      start: start === 1 ? null : String(start),
    };
    return element('ol', attributes, content(node, page));
  },
  code_block: (node, page) =>
    element(
      'pre',
      { id: page.once(node.attrs.id), dir: otherDirection(node, page.edition) },
      element('code', {}, content(node, page)),
    ),
  rule: (node, page) => element('hr', { id: page.once(node.attrs.id) }),
  figure: (node, page) => {
    const { id, link, areas, alt, width } = attrsOf.figure(node);
    const shown = picture(node, page, null);
    const linked = link ? anchorElement({ ...link, text: alt }, shown, page) : shown;
    const framed =
      areas.length > 0 || width !== null
        ? element(
            'div',
            { class: 'picture', style: width === null ? null : `width: ${width}%` },
            linked + areas.map((area) => areaElement(area, page)).join(''),
          )
        : linked;
    return element('figure', { id: page.once(id), class: pageClass(node) }, framed + wordsBelow(node, page));
  },
  // Nothing is read there: it is room on paper, and lines to write on.
  room: (node, page) => {
    const { id, height, ruled } = attrsOf.room(node);
    const lines = ruled ? '<div></div>'.repeat(roomLines(height)) : '';
    return element(
      'div',
      {
        id: page.once(id),
        class: roomClass(ruled),
        style: `height: ${height}mm`,
        'data-room': String(height),
      },
      lines,
    );
  },
};

const pageClass = (node: Node): string | null => (beginsPage(node) ? NEW_PAGE : null);

/** The caption of a picture with its credit; a figure has one element for both (HTML, 4.4.12). */
function wordsBelow(figure: Node, page: PageContext): string {
  const { caption, credit } = figureParts(figure);
  if (!caption && !credit) return '';
  const words = caption ? numberOf(figure.attrs.id, page, ' ') + content(caption, page) : '';
  const below = credit
    ? element('div', { class: CREDIT, dir: otherDirection(credit, page.edition) }, content(credit, page))
    : '';
  return element(
    'figcaption',
    { dir: caption ? otherDirection(caption, page.edition) : null },
    words + below,
  );
}

/**
 * A link over part of a picture, in shares of it, so that it stays in its spot at any size; the coordinates of an HTML
 * image map don't follow when a reading program scales the picture.
 */
function areaElement(area: LinkArea, page: PageContext): string {
  const target = targetIn(page.edition, area.destination);
  if (!target) return '';
  const percent = (share: number) => `${Number((share * 100).toFixed(3))}%`;
  const { x, y, width, height, frame } = area;
  const place = `left: ${percent(x)}; top: ${percent(y)}; width: ${percent(width)}; height: ${percent(height)}`;
  return element(
    'a',
    {
      class: 'area',
      id: page.origin(area.id),
      href: 'href' in target ? target.href : page.addressOfPlace(target.place),
      title: area.hoverNote || null,
      style: frame ? `${place}; ${frameStyle(frame)}` : place,
    },
    element('span', {}, escapeXml(nameInFile({ ...area, text: area.name }, toldIn(page.edition)))),
  );
}

const frameStyle = ({ line, width, colour }: AreaFrame) => `border: ${width}pt ${line} ${colour}`;

/** The list of what goes with the book. */
export function listWithBook({ title, entries }: WithBook): string {
  const items = entries.map(
    ({ id, name, about }) => element('dt', { id }, escapeXml(name)) + element('dd', {}, escapeXml(about)),
  );
  const list = element('dl', {}, `\n${items.join('\n')}\n`);
  return element('section', { class: 'with-book' }, `${element('h1', {}, escapeXml(title))}\n${list}`);
}

/** The blocks of a node as XHTML. */
export function content(node: Node, page: PageContext): string {
  if (node.inlineContent) return inline(node, page);
  let written = '';
  for (const child of node.children) {
    const write = writers[child.type.name];
    if (!write) throw new RangeError(`no way to write a ${child.type.name}`);
    written += `${write(child, page)}\n`;
  }
  return written;
}

function inline(block: Node, page: PageContext): string {
  return inlineTree(block)
    .map((tree) => inlineElement(tree, page))
    .join('');
}

function inlineElement(tree: InlineTree, page: PageContext): string {
  if ('leaf' in tree) return leaf(tree.leaf, page);
  const inner = tree.children.map((child) => inlineElement(child, page)).join('');
  return marked(tree.mark, wordsOfTree(tree), inner, page);
}

function leaf(node: Node, page: PageContext): string {
  switch (node.type.name) {
    case 'text':
      return escapeXml(node.text ?? '');
    case 'hard_break':
      return '<br/>';
    case 'picture':
      return picture(node, page, page.once(node.attrs.id));
    case 'formula':
      // What is stored may come from anywhere.
      return readFormula(attrsOf.formula(node).mathml)?.mathml ?? escapeXml(attrsOf.formula(node).words);
    case 'note':
    case 'note_mark':
      return noteMark(node, page);
    case 'reference':
      return reference(node, page);
    case 'return_link':
      return returnLink(node, page);
    case 'anchor': {
      const id = page.once(node.attrs.id);
      const label = page.edition.pages.get(id ?? '');
      const breaks = { 'epub:type': 'pagebreak', role: 'doc-pagebreak', 'aria-label': label ?? null };
      return id ? element('span', { id, ...(label === undefined ? {} : breaks) }) : '';
    }
    default:
      throw new RangeError(`no way to write a ${node.type.name}`);
  }
}

/** A passage in another language (HTML `lang`; XHTML wants `xml:lang` beside it). */
function inLanguage(tag: string, inner: string, { edition }: PageContext): string {
  return element(
    'span',
    {
      lang: tag,
      'xml:lang': edition.format === 'epub' ? tag : null,
      dir: unlessOfBook(directionOf(tag), edition),
    },
    inner,
  );
}

const TAGS: Record<string, string> = {
  emphasis: 'em',
  strong: 'strong',
  code: 'code',
  subscript: 'sub',
  superscript: 'sup',
  struck: 's',
};

function marked(mark: Mark, text: string, inner: string, page: PageContext): string {
  const name = mark.type.name;
  if (name === 'link') {
    return anchorElement({ ...attrsOf.link(mark), text }, inner, page);
  }
  if (name === 'bookmark') {
    const { id: own, name: called } = attrsOf.bookmark(mark);
    const id = page.once(own);
    return id ? element('span', { id, 'data-bookmark': called }, inner) : inner;
  }
  if (name === 'small_capitals') return element('span', { class: SMALL_CAPITALS }, inner);
  if (name === 'language') return inLanguage(attrsOf.language(mark).tag, inner, page);
  return TAGS[name]
    ? element(TAGS[name], { dir: name === 'code' ? unlessOfBook('ltr', page.edition) : null }, inner)
    : inner;
}

interface WordsLink {
  id: string;
  destination: Destination;
  hoverNote: string;
  look?: LinkLook | null;
  about?: LinkAbout | null;
}

/** A link that leads nowhere in this edition leaves its words. A file's type and size are told to screen readers. */
function anchorElement(
  { id, destination, hoverNote, look, about, text }: WordsLink & { text: string },
  inner: string,
  page: PageContext,
): string {
  const target = targetIn(page.edition, destination);
  if (!target) return inner;
  const href = 'href' in target ? target.href : page.addressOfPlace(target.place);
  // A book that is read in a program has one window.
  const opens = about?.newWindow === true && page.edition.format === 'web';
  const { language } = page.edition.book;
  const said = [
    fileTold({ destination, text }, toldIn(page.edition)),
    opens ? windowTold({ text, about, hoverNote }, language) : null,
  ].filter(Boolean);
  const told = text.trim() === '' ? '' : said.join(', ');
  return element(
    'a',
    {
      id: page.origin(id),
      href,
      class: look ? lookClass(look) : null,
      title: hoverNote || null,
      'aria-label': about?.name ? [about.name, told].filter(Boolean).join(', ') : null,
      hreflang: about?.language || null,
      target: opens ? '_blank' : null,
      rel: opens ? 'noopener' : null,
    },
    told ? inner + element('span', { class: 'told' }, escapeXml(`, ${told}`)) : inner,
  );
}

function picture(node: Node, page: PageContext, id: string | null): string {
  const src = page.addressOfEnclosure(attrsOf.picture(node).enclosure);
  const alt = saidOfPicture(node);
  return src ? element('img', { id, src, alt }) : escapeXml(alt);
}
