import { END, type Token } from '../../carry-over/index.js';
import { boxAround, holdsMiddle, type Box } from '../../manuscript/index.js';
import { wordsOfLine, type PageText, type Stretch } from '../page-text.js';

/** Where a sign stands on its page: so many for each line. */
export const LINE = 100_000;

const WORD = /[\p{L}\p{N}\p{M}]+|[^\s\p{L}\p{N}\p{M}]/gu;

/** The words of all pages in a row; one that is divided at the end of a line is one. A page's end is a word of its own. */
export function tokensOf(texts: readonly PageText[]): Token[] {
  const tokens: Token[] = [];
  texts.forEach(({ lines }, page) => {
    const chapter = String(page + 1);
    lines.forEach((line, row) => {
      let isFirst = true;
      const words = wordsOfLine(line);
      for (const { 0: word, index } of words.matchAll(WORD)) {
        const token = {
          word: word.toLowerCase(),
          chapter,
          from: row * LINE + index,
          to: row * LINE + index + word.length,
        };
        const [before, hyphen] = [tokens.at(-2), tokens.at(-1)];
        const isDivided =
          isFirst &&
          row > 0 &&
          hyphen?.word === '-' &&
          before?.chapter === chapter &&
          before.to === hyphen.from &&
          /^\p{Ll}/u.test(word);
        if (isDivided) tokens.splice(-2, 2, { ...before, word: before.word + token.word, to: token.to });
        else tokens.push(token);
        isFirst = false;
      }
    });
    tokens.push({ word: END, chapter, from: lines.length * LINE, to: lines.length * LINE });
  });
  return tokens;
}

/** The words of a page that stand in some boxes, line by line. */
export function stretchesIn({ lines }: PageText, boxes: readonly Box[]): Stretch[] {
  return lines.flatMap((line, row) => {
    let at = 0;
    let [from, to] = [Infinity, -1];
    for (const piece of line) {
      const isIn = piece.text.trim() !== '' && boxes.some((box) => holdsMiddle(box, piece));
      if (isIn) [from, to] = [Math.min(from, at), Math.max(to, at + piece.text.trimEnd().length)];
      at += piece.text.length;
    }
    return to > from ? [{ line: row, from, to }] : [];
  });
}

/** The words between two signs of a page, line by line. */
export function between({ lines }: PageText, from: number, to: number): Stretch[] {
  const [first, last] = [Math.floor(from / LINE), Math.floor((to - 1) / LINE)];
  const stretches: Stretch[] = [];
  for (let line = first; line <= last; line++) {
    const length = wordsOfLine(lines[line] ?? []).length;
    stretches.push({
      line,
      from: line === first ? from % LINE : 0,
      to: line === last ? to - line * LINE : length,
    });
  }
  return stretches;
}

/** The box of the line in which a word stands. */
export const lineAt = (text: PageText | undefined, token: Token | undefined): Box | null => {
  const line = text && token ? text.lines[Math.floor(token.from / LINE)] : undefined;
  return line ? boxAround(line) : null;
};
