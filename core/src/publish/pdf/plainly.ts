import type { TypesetBook } from './typeset-book.js';
import type { Content, TypesetNode } from './typeset-node.js';

/** A block of a book that the typesetter refused, and that is set as plain paragraphs. */
export interface SetPlainly {
  chapter: string;
  /** What it is, and how its words begin. */
  element: string;
  words: string;
}

const NAMES: Readonly<Record<string, string>> = {
  p: 'paragraph',
  flow: 'paragraph',
  h: 'heading',
  quote: 'quotation',
  ul: 'list',
  ol: 'list',
  terms: 'list of terms',
  code: 'passage of code',
  figure: 'figure',
  table: 'table',
  contents: 'list of contents',
  notes: 'list of notes',
  rule: 'rule',
};

/**
 * Finds the blocks that a typesetter refuses, and gives the book with plain paragraphs in their place: with all their words, links and
 * places, without tables, lists, pictures and looks. `refuses` says of a book whether it can't be set.
 */
export function withPlainBlocks(
  book: TypesetBook,
  refuses: (book: TypesetBook) => boolean,
): { book: TypesetBook; plainly: SetPlainly[] } {
  const plainly: SetPlainly[] = [];
  const alone = (blocks: TypesetNode[], title: string): TypesetBook => ({
    ...book,
    chapters: [{ title, matter: 'main', untitled: true, blocks }],
    notes: [],
    attached: [],
  });
  const mended = (blocks: TypesetNode[], chapter: string): TypesetNode[] => {
    if (blocks.length === 0 || !refuses(alone(blocks, chapter))) return blocks;
    const [only] = blocks;
    if (only && blocks.length === 1) {
      plainly.push({ chapter, element: NAMES[only.t] ?? 'part', words: beginningOf(only) });
      return plain(only);
    }
    const half = blocks.length >> 1;
    return [...mended(blocks.slice(0, half), chapter), ...mended(blocks.slice(half), chapter)];
  };
  const chapters = book.chapters.map((one) => ({ ...one, blocks: mended(one.blocks, one.title) }));
  return { book: { ...book, chapters, notes: mended(book.notes, '') }, plainly };
}

/** The paragraphs that a block is without its form. */
function plain(node: TypesetNode): TypesetNode[] {
  const paragraph = (c: Content): TypesetNode[] => (c.length > 0 ? [{ t: 'p', c }] : []);
  const within = (content: unknown) => ((content ?? []) as TypesetNode[]).flatMap(plain);
  const ids = (node.ids ?? []).map((id): TypesetNode => ({ t: 'anchor', id }));
  switch (node.t) {
    case 'h':
      return [{ ...node, c: plainInline(node.c ?? []) }];
    case 'quote':
    case 'ul':
    case 'ol':
    case 'li':
    case 'terms':
    case 'flow':
    case 'meaning':
      return within(node.c);
    case 'table':
      return [
        ...paragraph(plainInline(node.caption as Content)),
        ...(node.cells as TypesetNode[]).flatMap((cell) => within(cell.c)),
      ];
    case 'figure':
      return [
        ...paragraph([...ids, ...pictured(node)]),
        ...(node.areas as TypesetNode[]).flatMap((area) => paragraph(leading(area, [String(area.name)]))),
        ...paragraph(plainInline(node.caption as Content)),
      ];
    case 'rule':
      return paragraph(ids);
    case 'display':
      return paragraph([...ids, ...plainInline(node.c ?? [])]);
    case 'p':
    case 'term':
    case 'code':
      return paragraph(plainInline(node.c ?? []));
    default:
      return [node];
  }
}

const LOOKS: ReadonlySet<string> = new Set(['em', 'strong', 'mono', 'lang', 'sub', 'sup', 'struck', 'caps']);

function plainInline(content: Content): Content {
  return content.flatMap((node): Content => {
    if (typeof node === 'string') return [node];
    if (LOOKS.has(node.t)) return plainInline(node.c ?? []);
    if (node.t === 'picture') return [String(node.alt)];
    if (node.t === 'formula') return [String(node.words)];
    return [node.c ? { ...node, c: plainInline(node.c) } : node];
  });
}

const pictured = (node: TypesetNode): Content =>
  leading(node, node.decorative === true ? [] : [String(node.alt)]);

/** Words that lead where a part of a picture led. */
function leading({ to }: TypesetNode, c: Content): Content {
  return to === undefined ? c : [{ t: 'link', to, look: null, c }];
}

/** How a block begins; a picture, as what is said of it. */
const beginningOf = (node: TypesetNode): string =>
  (wordsOf(node) || String(node.alt ?? '')).replace(/\s+/g, ' ').trim().slice(0, 60);

function wordsOf(node: TypesetNode): string {
  const inside = [node.caption, node.c, node.cells, node.items].flatMap((part) => (part ?? []) as Content);
  return inside.map((part) => (typeof part === 'string' ? part : wordsOf(part))).join(' ');
}
