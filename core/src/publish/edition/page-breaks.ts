import { Fragment, Slice, type Node } from 'prosemirror-model';
import { schema, type ReadBook } from '../../manuscript/index.js';

/** Where a mark came to stand: the page, from 1, and what that is called by the number on it. */
export interface MarkOnPage {
  id: string;
  page: number;
  label: string;
}

/** The first words of a page: the chapter, and the position in its text. */
export interface PageBreak {
  chapter: string;
  at: number;
  label: string;
}

const MARK = /^at-(\d+)-(\d+)$/;
const markAt = (chapter: number, at: number): Node => schema.node('anchor', { id: `at-${chapter}-${at}` });

/**
 * A book with marks by which it is seen on which page its words stand once they are set: at both ends of each block of text, and before
 * every word of the blocks that are wanted. What is within notes stands elsewhere and has none.
 *
 * @param wanted chapters by their index, and the positions of the blocks' contents in them
 */
export function withMarks(
  book: ReadBook,
  wanted: ReadonlyMap<number, ReadonlySet<number>> = new Map(),
): ReadBook {
  return {
    ...book,
    chapters: book.chapters.map((chapter, index) => ({
      ...chapter,
      doc: inBlocks(chapter.doc, (block, start) => {
        const end = start + block.content.size;
        if (!wanted.get(index)?.has(start))
          return block.content.addToStart(markAt(index, start)).append(Fragment.from(markAt(index, end)));
        const pieces = block.children.flatMap((child, at) => {
          const from = start + offsetOf(block, at);
          if (!child.isText) return [markAt(index, from), child];
          return wordsIn(child.text ?? '').flatMap(([words, within]) => [
            markAt(index, from + within),
            schema.text(words, child.marks),
          ]);
        });
        return Fragment.from([...pieces, markAt(index, end)]);
      }),
    })),
  };
}

/** The words of a text, each with the space behind it, and where it begins. */
const wordsIn = (text: string): [words: string, from: number][] =>
  [...text.matchAll(/\s*\S+\s*|\s+/g)].map((match) => [match[0], match.index]);

function offsetOf({ children }: Node, index: number): number {
  return children.slice(0, index).reduce((sum, { nodeSize }) => sum + nodeSize, 0);
}

/** A text whose blocks of words have another content. `change` is given where the content begins. */
function inBlocks(doc: Node, change: (block: Node, start: number) => Fragment): Node {
  const within = (node: Node, start: number): Node => {
    if (node.isTextblock) return node.textContent.trim() === '' ? node : node.copy(change(node, start));
    if (node.inlineContent || node.isLeaf) return node;
    let at = start;
    const children = node.children.map((child) => {
      const changed = within(child, at + 1);
      at += child.nodeSize;
      return changed;
    });
    return node.copy(Fragment.from(children));
  };
  return within(doc, 0);
}

interface Mark {
  chapter: number;
  at: number;
  page: number;
  label: string;
}

/** The marks in the order of the text. One that stands on several pages, as in the head of a table, is on the first. */
function inOrder(places: readonly MarkOnPage[]): Mark[] {
  const marks = new Map<string, Mark>();
  for (const { id, page, label } of places) {
    const [, chapter, at] = MARK.exec(id) ?? [];
    const known = marks.get(id);
    if (chapter !== undefined && (!known || page < known.page))
      marks.set(id, { chapter: Number(chapter), at: Number(at), page, label });
  }
  return [...marks.values()].sort((one, other) => one.chapter - other.chapter || one.at - other.at);
}

/** The blocks in which a page begins, by the marks at their ends. */
export function blocksOverPages(places: readonly MarkOnPage[]): Map<number, Set<number>> {
  const marks = inOrder(places);
  const blocks = new Map<number, Set<number>>();
  marks.forEach(({ chapter, at, page }, index) => {
    const end = marks[index + 1];
    if (end?.chapter === chapter && end.page > page)
      blocks.set(chapter, (blocks.get(chapter) ?? new Set()).add(at));
  });
  return blocks;
}

/** Where each page begins: before the first words that stand on it. */
export function breaksIn(book: ReadBook, places: readonly MarkOnPage[]): PageBreak[] {
  const breaks: PageBreak[] = [];
  let last = 0;
  for (const { chapter, at, page, label } of inOrder(places)) {
    if (page <= last) continue;
    last = page;
    breaks.push({ chapter: book.chapters[chapter]?.id ?? '', at, label: label || String(page) });
  }
  return breaks;
}

/** A book with an anchor where each page begins, and what the pages are called, by the ids of their anchors. */
export function withBreaks(
  book: ReadBook,
  breaks: readonly PageBreak[],
): { book: ReadBook; pages: Map<string, string> } {
  const taken = new Set<string>();
  const named = breaks.map((one) => {
    let id = `page-${one.label}`;
    for (let count = 2; taken.has(id); count++) id = `page-${one.label}-${count}`;
    taken.add(id);
    return { ...one, id };
  });
  const chapters = book.chapters.map((chapter) => {
    // From the end on, so that what stands before keeps its position.
    const doc = named
      .filter((one) => one.chapter === chapter.id)
      .reduceRight(
        (text, { id, at }) =>
          text.replace(at, at, new Slice(Fragment.from(schema.node('anchor', { id })), 0, 0)),
        chapter.doc,
      );
    return { ...chapter, doc };
  });
  return { book: { ...book, chapters }, pages: new Map(named.map(({ id, label }) => [id, label])) };
}
