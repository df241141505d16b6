import type { Mark, Node } from 'prosemirror-model';
import type { Destination } from '../destination/index.js';
import { spans, type FigureLink } from '../manuscript/index.js';
import { targetIn, type Edition } from './edition.js';
import { inlineTree, type InlineTree } from './inline-tree.js';
import { element, escapeXml } from './xml.js';

/** What writing a chapter needs to know of the file around it. */
export interface PageContext {
  edition: Edition;
  /** The address of a place of the book, as seen from this file. */
  addressOfPlace(place: string): string;
  addressOfEnclosure(id: string): string | null;
  /** Gives back an id the first time, `null` from then on. */
  once(id: unknown): string | null;
  /** The id to write at a heading. */
  headingId(heading: Node): string;
}

type Write = (node: Node, page: PageContext) => string;

const plain =
  (name: string): Write =>
  (node, page) =>
    element(name, { id: page.once(node.attrs.id) }, content(node, page));

const cell =
  (name: 'td' | 'th'): Write =>
  (node, page) =>
    element(name, { id: page.once(node.attrs.id), ...spans(node.attrs) }, content(node, page));

/** One writer a node. */
const writers: Record<string, Write> = {
  paragraph: plain('p'),
  quotation: plain('blockquote'),
  bullet_list: plain('ul'),
  list_item: (node, page) => {
    const only =
      node.childCount === 1 && node.firstChild?.type.name === 'paragraph' && !node.firstChild.attrs.id;
    return element(
      'li',
      { id: page.once(node.attrs.id) },
      only ? inline(node.child(0), page) : content(node, page),
    );
  },
  table: plain('table'),
  table_row: plain('tr'),
  table_cell: cell('td'),
  table_header: cell('th'),
  table_caption: plain('caption'),
  caption: plain('figcaption'),
  heading: (node, page) =>
    element(`h${node.attrs.level}`, { id: page.once(page.headingId(node)) }, content(node, page)),
  ordered_list: (node, page) =>
    element(
      'ol',
      { id: page.once(node.attrs.id), start: node.attrs.start === 1 ? null : String(node.attrs.start) },
      content(node, page),
    ),
  code_block: (node, page) =>
    element('pre', { id: page.once(node.attrs.id) }, element('code', {}, content(node, page))),
  rule: (node, page) => element('hr', { id: page.once(node.attrs.id) }),
  figure: (node, page) => {
    const link = node.attrs.link as FigureLink | null;
    const shown = picture(node, page, null);
    const linked = link ? anchorElement(link.destination, link.hoverNote, shown, page) : shown;
    return element('figure', { id: page.once(node.attrs.id) }, linked + content(node, page));
  },
};

/** The blocks of a node as XHTML. */
export function content(node: Node, page: PageContext): string {
  if (node.inlineContent) return inline(node, page);
  let written = '';
  node.forEach((child) => (written += `${writers[child.type.name](child, page)}\n`));
  return written;
}

function inline(block: Node, page: PageContext): string {
  return inlineTree(block)
    .map((tree) => inlineElement(tree, page))
    .join('');
}

function inlineElement(tree: InlineTree, page: PageContext): string {
  if ('leaf' in tree) return leaf(tree.leaf, page);
  return marked(tree.mark, tree.children.map((child) => inlineElement(child, page)).join(''), page);
}

function leaf(node: Node, page: PageContext): string {
  switch (node.type.name) {
    case 'text':
      return escapeXml(node.text ?? '');
    case 'hard_break':
      return '<br/>';
    case 'picture':
      return picture(node, page, page.once(node.attrs.id));
    case 'anchor': {
      const id = page.once(node.attrs.id);
      return id ? element('span', { id }) : '';
    }
    default:
      throw new RangeError(`no way to write a ${node.type.name}`);
  }
}

const TAGS: Record<string, string> = {
  emphasis: 'em',
  strong: 'strong',
  code: 'code',
  subscript: 'sub',
  superscript: 'sup',
};

function marked(mark: Mark, inner: string, page: PageContext): string {
  const name = mark.type.name;
  if (name === 'link')
    return anchorElement(mark.attrs.destination as Destination, mark.attrs.hoverNote as string, inner, page);
  if (name === 'bookmark') {
    const id = page.once(mark.attrs.id);
    return id ? element('span', { id }, inner) : inner;
  }
  return TAGS[name] ? element(TAGS[name], {}, inner) : inner;
}

/** A link that leads nowhere in this edition leaves its words. */
function anchorElement(
  destination: Destination,
  hoverNote: string,
  inner: string,
  page: PageContext,
): string {
  const target = targetIn(page.edition, destination);
  if (!target) return inner;
  const href = 'href' in target ? target.href : page.addressOfPlace(target.place);
  return element('a', { href, title: hoverNote || null }, inner);
}

function picture(node: Node, page: PageContext, id: string | null): string {
  const src = page.addressOfEnclosure(node.attrs.enclosure as string);
  const alt = node.attrs.decorative ? '' : (node.attrs.alt as string);
  return src ? element('img', { id, src, alt }) : escapeXml(alt);
}
