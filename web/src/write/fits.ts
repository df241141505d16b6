/** Words without the differences that nobody types: accents, capitals. */
export const fold = (words: string): string =>
  words.normalize('NFKD').replace(/\p{M}/gu, '').toLocaleLowerCase();

/** Every word that was typed begins a word, in any order: 1; those that begin the whole: 2; else 0. */
export function fits(wanted: string, words: string): number {
  const text = fold(words);
  if (text.startsWith(fold(wanted))) return 2;
  const parts = fold(wanted).split(/\s+/);
  return parts.every((part) => new RegExp(`(?:^|[^\\p{L}\\p{N}])${escape(part)}`, 'u').test(text)) ? 1 : 0;
}

const escape = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
