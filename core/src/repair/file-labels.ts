import type { ReadChapter } from '../manuscript/index.js';
import type { ShelfFile } from '../shelf/index.js';
import { lineText } from './line-text.js';
import { aroundWords, closedTo, type Mention } from './mentions.js';

/** A label, such as “C1” or “Appendix 3”, wherever it stands in the text without a link. */
export interface FileLabel {
  /** What is the same of all its spellings: `c 1`, `appendix 3`. */
  key: string;
  /** As it is spelled first. */
  words: string;
  /** The files that are called so, by their ids, the shortest name first; none where there is no such file. */
  files: string[];
  mentions: Mention[];
}

/** How a file name says its label: letters, then a number (with a letter after it) or one capital letter. */
const NAME = /^(\p{L}+)[\s_.-]*0*(\d{1,4})(\p{L})?(?![\p{L}\d])|^(\p{L}{3,})[\s_.-]+(\p{Lu})(?![\p{L}\d])/u;

/** The same in the text: no sign beside it may be part of it, and a point stands in it only before the number. */
const LABEL =
  /(?<![\p{L}\p{N}])(?:(\p{L}+)([\s.-]?)0*(\d{1,4})(\p{L})?(?![\p{L}\d]|[.,]\d)|(\p{L}{3,})([\s-])(\p{Lu})(?![\p{L}\d'’]))/gu;

/** What is the same of a label however it is spelled; letters alone are the same only as they are written. */
const keyOf = (word: string, number: string): string => `${sameWord(word)} ${number.toLowerCase()}`;
const sameWord = (word: string): string => (word.length < 3 ? word : word.toLowerCase());

/** The label in a file's name, before its extension; `null` without one. Common practice for enclosures of a text. */
export function labelInName(name: string): string | null {
  const match = NAME.exec(name.replace(/\.[^.]{1,5}$/, '').normalize('NFC'));
  if (!match) return null;
  const [, word = match[4] ?? '', number = match[5] ?? '', letter = ''] = match;
  return keyOf(word, number + letter);
}

/**
 * Every label of the text that is called as files are, in reading order, with the files of that name; also labels of the same kind for which
 * there is no file. What is linked already, headings and code are passed over.
 */
export function findFileLabels(
  chapters: readonly ReadChapter[],
  files: readonly Pick<ShelfFile, 'id' | 'name'>[],
): FileLabel[] {
  const named = new Map<string, string[]>();
  const byLength = [...files].sort((one, other) => one.name.length - other.name.length);
  for (const { id, name } of byLength) {
    const key = labelInName(name);
    if (key !== null) named.set(key, [...(named.get(key) ?? []), id]);
  }
  /** Which words begin labels, and whether numbers or letters follow them. */
  const kinds = new Set([...named.keys()].map(kindOf));
  const labels = new Map<string, FileLabel>();
  if (kinds.size === 0) return [];
  for (const { id: chapter, doc } of chapters)
    doc.descendants((node, position) => {
      if (!node.isTextblock) return true;
      if (node.type.name === 'heading' || node.type.spec.code) return false;
      const line = lineText(node, isClosed);
      for (const match of line.text.matchAll(LABEL)) {
        const [text, word = match[5] ?? '', , number = match[7] ?? '', letter = ''] = match;
        const key = keyOf(word.normalize('NFC'), number + letter);
        const end = match.index + text.length;
        if (!kinds.has(kindOf(key)) || line.closed.subarray(match.index, end).includes(1)) continue;
        const label = labels.get(key) ?? { key, words: text, files: named.get(key) ?? [], mentions: [] };
        label.mentions.push({
          chapter,
          from: position + 1 + line.positions[match.index]!,
          to: position + 1 + line.positions[end - 1]! + 1,
          text,
          ...aroundWords(line.text, match.index, end),
        });
        labels.set(key, label);
      }
      // Notes stand in the line.
      return true;
    });
  return [...labels.values()];
}

const isClosed = closedTo(false);

const kindOf = (key: string): string => {
  const [word = '', number = ''] = key.split(' ');
  return `${word} ${/^\d/.test(number) ? '1' : 'a'}`;
};
