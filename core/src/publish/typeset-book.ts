import type { Mark, Node } from 'prosemirror-model';
import { accessibleName } from '../audit/index.js';
import { hrefOf, type Destination } from '../destination/index.js';
import {
  linkMark,
  wordsOf,
  type BookDetails,
  type FigureLink,
  type LinkArea,
  type LinkLook,
  type Matter,
} from '../manuscript/index.js';
import { filesInside, onceEach, targetIn, type Edition } from './edition.js';
import { inlineTree, type InlineTree } from './inline-tree.js';
import { placeCells } from './table-grid.js';
import { withBook, type WithBook } from './with-book.js';

/** A node as the typesetter's template reads it: `t` is its type, `c` its content, `id` a place. */
export interface TypesetNode {
  t: string;
  id?: string;
  c?: (TypesetNode | string)[];
  [attribute: string]: unknown;
}

export interface TypesetChapter {
  id: string;
  title: string;
  matter: Matter;
  /** The chapter has no heading at its top, so its title stands in the outline only. */
  untitled: boolean;
  blocks: TypesetNode[];
}

/** The book as the typesetter's template reads it: data only, so that no text can become code. */
export interface TypesetBook extends Pick<
  BookDetails,
  'title' | 'subtitle' | 'author' | 'language' | 'look'
> {
  chapters: TypesetChapter[];
  /** What goes with the book; each entry is a place. */
  list: WithBook;
  /** Files that are put into the PDF, by the paths at which the typesetter finds them. */
  attached: { path: string; name: string; type: string; description: string }[];
}

interface Context {
  edition: Edition;
  once(id: unknown): string | null;
  /** The path of a picture in the typesetter's files. */
  pictures: Map<string, string>;
  level(level: number): number;
}

/** The data of one book; `pictures` says by which path the typesetter finds each picture. Attached files are at `/` and their path. */
export function typesetBook(edition: Edition, pictures: Map<string, string>): TypesetBook {
  const { title, subtitle, author, language, look } = edition.book;
  const once = onceEach();
  const chapters = edition.book.chapters.map((chapter): TypesetChapter => {
    const first = chapter.doc.firstChild;
    const context = { edition, once, pictures, level: steadyLevels() };
    return {
      id: once(chapter.id) ?? '',
      title: chapter.title,
      matter: chapter.matter,
      untitled: first?.type.name !== 'heading',
      blocks: chapter.doc.children.map((node) => block(node, context)),
    };
  });
  const attached = filesInside(edition).map(([path, { type, description, name }]) => ({
    ...{ path, name, type },
    description: description || name,
  }));
  return { title, subtitle, author, language, look, chapters, list: withBook(edition), attached };
}

/** Levels without a gap, beginning at 1: PDF/UA-1 (ISO 14289-1, 7.4.2) wants no level skipped. */
function steadyLevels(): (level: number) => number {
  const open: number[] = [];
  return (level) => {
    while (open.length > 0 && open[open.length - 1] >= level) open.pop();
    open.push(level);
    return open.length;
  };
}

function block(node: Node, context: Context): TypesetNode {
  const id = context.once(node.attrs.id) ?? undefined;
  const made = blockAttributes(node, context);
  return id === undefined ? made : { ...made, id };
}

function blockAttributes(node: Node, context: Context): TypesetNode {
  const blocks = () => node.children.map((child) => block(child, context));
  switch (node.type.name) {
    case 'paragraph':
      return { t: 'p', c: inline(node, context) };
    case 'heading':
      return {
        t: 'h',
        level: context.level(node.attrs.level as number),
        c: inline(node, context),
        words: wordsOf(node),
      };
    case 'quotation':
      return { t: 'quote', c: blocks() };
    case 'bullet_list':
      return { t: 'ul', c: blocks() };
    case 'ordered_list':
      return { t: 'ol', start: node.attrs.start as number, c: blocks() };
    case 'list_item':
      return { t: 'li', c: blocks() };
    case 'code_block':
      return { t: 'code', c: inline(node, context) };
    case 'rule':
      return { t: 'rule' };
    case 'figure':
      return { t: 'figure', ...figure(node, context) };
    case 'table':
      return { t: 'table', ...table(node, context) };
    default:
      throw new RangeError(`no way to typeset a ${node.type.name}`);
  }
}

function figure(node: Node, context: Context): Record<string, unknown> {
  const link = node.attrs.link as FigureLink | null;
  const caption = node.firstChild;
  return {
    ...picture(node, context, caption ? wordsOf(caption) : ''),
    ...(link ? leadsTo(link.destination, context) : {}),
    width: node.attrs.width as number | null,
    areas: (node.attrs.areas as readonly LinkArea[]).map(({ x, y, width, height, frame, destination }) => ({
      ...{ x, y, width, height, frame },
      ...leadsTo(destination, context),
    })),
    caption: caption ? inline(caption, context) : [],
  };
}

/** PDF/UA-1 wants words for every picture that is not decoration; without any, its caption has to do. */
function picture(node: Node, context: Context, otherwise: string): Record<string, unknown> {
  const src = context.pictures.get(node.attrs.enclosure as string) ?? null;
  return {
    src,
    alt: (node.attrs.alt as string) || otherwise || 'Picture',
    decorative: node.attrs.decorative as boolean,
  };
}

function table(node: Node, context: Context): Record<string, unknown> {
  const caption = node.children.find((child) => child.type.name === 'table_caption');
  const rows = node.children.filter((child) => child.type.name === 'table_row');
  const { columns, cells } = placeCells(
    rows.map((row) =>
      row.children.map((cell) => ({
        colspan: cell.attrs.colspan as number,
        rowspan: cell.attrs.rowspan as number,
        cell,
      })),
    ),
  );
  const first = rows[0].children;
  return {
    columns,
    header: first.every((cell) => cell.type.name === 'table_header' && cell.attrs.rowspan === 1),
    caption: caption ? inline(caption, context) : [],
    cells: cells.map(({ x, y, colspan, rowspan, cell }) => ({
      ...{ x, y, colspan, rowspan, strong: cell.type.name === 'table_header' },
      c: cell.children.map((child) => block(child, context)),
    })),
  };
}

function inline(block: Node, context: Context): (TypesetNode | string)[] {
  return inlineTree(block).flatMap((tree) => inlineNode(tree, context));
}

function inlineNode(tree: InlineTree, context: Context): (TypesetNode | string)[] {
  if ('leaf' in tree) return leaf(tree.leaf, context);
  const children = tree.children.flatMap((child) => inlineNode(child, context));
  return marked(tree.mark, children, context);
}

function leaf(node: Node, context: Context): (TypesetNode | string)[] {
  switch (node.type.name) {
    case 'text':
      return [node.text ?? ''];
    case 'hard_break':
      return [{ t: 'br' }];
    case 'picture':
      return [{ t: 'picture', id: context.once(node.attrs.id) ?? undefined, ...picture(node, context, '') }];
    default: {
      const id = context.once(node.attrs.id);
      const mark = linkMark(node);
      const address = mark ? [hrefOf(mark.attrs.destination as Destination)] : [];
      return id ? [{ t: 'anchor', id }, ...address] : address;
    }
  }
}

const MARKS: Record<string, string> = {
  emphasis: 'em',
  strong: 'strong',
  code: 'mono',
  subscript: 'sub',
  superscript: 'sup',
};

function marked(mark: Mark, children: (TypesetNode | string)[], context: Context): (TypesetNode | string)[] {
  const name = mark.type.name;
  if (name === 'link') {
    const target = leadsTo(mark.attrs.destination as Destination, context);
    const shown =
      wordsIn(children) === '' && !hasPicture(children)
        ? [hrefOf(mark.attrs.destination as Destination)]
        : children;
    return 'url' in target || 'place' in target
      ? [{ t: 'link', ...target, look: mark.attrs.look as LinkLook | null, c: shown }]
      : children;
  }
  if (name === 'bookmark') {
    const id = context.once(mark.attrs.id);
    return id ? [{ t: 'anchor', id }, ...children] : children;
  }
  return MARKS[name] ? [{ t: MARKS[name], c: children }] : children;
}

const wordsIn = (children: (TypesetNode | string)[]): string =>
  accessibleName({
    text: children.map((child) => (typeof child === 'string' ? child : wordsIn(child.c ?? []))).join(''),
  });
const hasPicture = (children: (TypesetNode | string)[]): boolean =>
  children.some((child) => typeof child !== 'string' && (child.t === 'picture' || hasPicture(child.c ?? [])));

function leadsTo(
  destination: Destination,
  { edition }: Context,
): { url: string } | { place: string } | Record<string, never> {
  const target = targetIn(edition, destination);
  if (!target) return {};
  return 'href' in target ? { url: target.href } : { place: target.place };
}
