import type { Content, TypesetNode } from './typeset-node.js';

/**
 * A paragraph's content with each anchor behind the first sign of what it is at, but for those at the start of its block.
 * A typesetter leaves a spot before a word at the end of the line above when the word is the first of its line, so it would
 * be a line off, or a page.
 */
export function settled(content: Content, beginsBlock = true): Content {
  const first = content.findIndex((item) => typeof item === 'string' || item.t !== 'anchor');
  const start = beginsBlock ? Math.max(0, first) : 0;
  const waiting: TypesetNode[] = [];
  const done = settle(content.slice(start), waiting);
  return [...content.slice(0, start), ...done, ...waiting];
}

/** Settles the waiting anchors in a piece of a line; those that find nothing in it go on waiting. */
function settle(content: Content, waiting: TypesetNode[]): Content {
  return content.flatMap((item): Content => {
    if (typeof item === 'string') return inWords(item, waiting);
    if (item.t === 'anchor') {
      waiting.push(item);
      return [];
    }
    // A spot at the end of a line stays on it.
    if (item.t === 'br') return [...waiting.splice(0), item];
    return item.c ? [{ ...item, c: settle(item.c, waiting) }] : [item, ...waiting.splice(0)];
  });
}

function inWords(words: string, waiting: TypesetNode[]): Content {
  const start = waiting.length === 0 ? 0 : headOf(words);
  if (start === 0) return [words];
  return [words.slice(0, start), ...waiting.splice(0), words.slice(start)].filter((part) => part !== '');
}

const graphemes = new Intl.Segmenter(undefined, { granularity: 'grapheme' });
/** Letters of these scripts are shaped by the letters next to them: their words stay whole, and no line ends within them. */
const JOINED =
  /^\s*[\p{sc=Arab}\p{sc=Syrc}\p{sc=Mong}\p{sc=Nkoo}\p{sc=Deva}\p{sc=Beng}\p{sc=Guru}\p{sc=Gujr}\p{sc=Orya}\p{sc=Taml}\p{sc=Telu}\p{sc=Knda}\p{sc=Mlym}\p{sc=Sinh}]\S*/u;
/** Letters that are often set as one sign. */
const LIGATURE = /^\s*f[fijlt]*/;

/** Length of what can't be torn from the start of some words, in UTF-16 units; 0 where there are only spaces. */
function headOf(words: string): number {
  const blank = /^\s*/.exec(words)?.[0].length ?? 0;
  if (blank === words.length) return 0;
  const whole = JOINED.exec(words) ?? LIGATURE.exec(words);
  if (whole) return whole[0].length;
  const [first] = graphemes.segment(words.slice(blank));
  return blank + (first?.segment.length ?? 0);
}
