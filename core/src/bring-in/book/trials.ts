import { Fragment, type Node } from 'prosemirror-model';

/** What is found out about parts of a file by means that are not part of reading it. */
export interface Trials {
  /** Whether a picture that begins well can be read to its end; one that can't is left out. */
  isWhole(bytes: Uint8Array): boolean;
  /** The language of some words; `null` where it can't be told. */
  guessLanguage(words: string): string | null;
}

/** Nothing is tried. */
export const NO_TRIALS: Trials = { isWhole: () => true, guessLanguage: () => null };

/** How many words are enough to tell their language, in UTF-16 units: of each chapter, and in all. */
const ENOUGH = { chapter: 2_000, all: 20_000 };

/** Words from all over a text, without code. */
export function sampleOf(chapters: readonly (readonly Node[])[]): string {
  let sample = '';
  for (const blocks of chapters) {
    let words = '';
    Fragment.from(blocks).descendants((node) => {
      if (words.length > ENOUGH.chapter) return false;
      if (node.isTextblock && node.type.name !== 'code_block') words += `${node.textContent}\n`;
      return !node.isTextblock;
    });
    sample += words.slice(0, ENOUGH.chapter);
    if (sample.length > ENOUGH.all) break;
  }
  return sample;
}
