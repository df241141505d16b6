import type { Node } from 'prosemirror-model';
import { attrsOf, isPicture, saidOfPicture, type ReadBook } from '../manuscript/index.js';

/** A word or a sign of a text. `from` and `to` are positions in the doc of its chapter; a block's end is a word of its own. */
export interface Token {
  word: string;
  chapter: string;
  from: number;
  to: number;
}

/** Stands for the end of a block. */
export const END = '\u00b6';
const WORD = /[\p{L}\p{N}\p{M}]+|[^\s\p{L}\p{N}\p{M}]/gu;

/** A whole text as one row of words, in reading order. */
export interface TokenText {
  tokens: Token[];
  /** Where in the row the first word stands that begins at a position or after it. */
  indexOf(chapter: string, at: number): number;
}

/** The words of a book but those of its notes, which go with their marks. Case says nothing. */
export function tokensOf({ chapters }: Pick<ReadBook, 'chapters'>): TokenText {
  const tokens: Token[] = [];
  for (const { id, doc } of chapters)
    doc.descendants((node, at) => {
      if (node.type.name === 'figure')
        tokens.push({ word: pictureWord(node), chapter: id, from: at, to: at + 1 });
      if (node.isTextblock) tokens.push(...tokensIn(node, at + 1, id));
      return !node.isTextblock;
    });
  const order = new Map(chapters.map(({ id }, index) => [id, index]));
  return { tokens, indexOf: finder(tokens, order) };
}

const pictureWord = (picture: Node): string => `\u2317${saidOfPicture(picture).toLowerCase()}`;

function tokensIn(block: Node, start: number, chapter: string): Token[] {
  const found: Token[] = [];
  block.forEach((leaf, offset) => {
    const from = start + offset;
    if (leaf.isText)
      for (const match of (leaf.text ?? '').matchAll(WORD))
        found.push({
          word: match[0].toLowerCase(),
          chapter,
          from: from + match.index,
          to: from + match.index + match[0].length,
        });
    else if (isPicture(leaf)) found.push({ word: pictureWord(leaf), chapter, from, to: from + 1 });
    else if (leaf.type.name === 'formula')
      found.push({ word: `\u2211${attrsOf.formula(leaf).words}`, chapter, from, to: from + 1 });
  });
  const end = start + block.content.size;
  return [...joined(found), { word: END, chapter, from: end, to: end }];
}

/** A word that marks divide is one word. */
function joined(tokens: readonly Token[]): Token[] {
  const whole: Token[] = [];
  for (const token of tokens) {
    const last = whole.at(-1);
    if (
      last?.to === token.from &&
      /^[\p{L}\p{N}\p{M}]/u.test(token.word) &&
      /[\p{L}\p{N}\p{M}]$/u.test(last.word)
    )
      whole[whole.length - 1] = { ...last, word: last.word + token.word, to: token.to };
    else whole.push(token);
  }
  return whole;
}

function finder(tokens: readonly Token[], order: ReadonlyMap<string, number>): TokenText['indexOf'] {
  return (chapter, at) => {
    const wanted = order.get(chapter) ?? 0;
    let [low, high] = [0, tokens.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      const token = tokens[middle];
      const own = order.get(token?.chapter ?? '') ?? 0;
      const isBefore =
        own < wanted ||
        (own === wanted && (token?.to ?? 0) <= at && !(token?.word === END && token.from >= at));
      if (isBefore) low = middle + 1;
      else high = middle;
    }
    return low;
  };
}
