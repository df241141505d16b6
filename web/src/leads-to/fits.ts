/** Words without the differences that nobody types: accents, capitals. */
export function fold(words: string): string {
  const plain = PLAIN.test(words) ? words : words.normalize('NFKD').replace(/\p{M}/gu, '');
  return plain.toLocaleLowerCase();
}

/** Words of ASCII alone have nothing to take off. */
const PLAIN = /^[ -~]*$/;

/** Says of words how they fit what was typed. Every typed word begins one of theirs, in any order: 1; all begins them: 2; else 0. */
export function fitting(typed: string): (words: string) => number {
  const whole = fold(typed);
  const parts = whole.split(/\s+/).map((part) => new RegExp(`(?:^|[^\\p{L}\\p{N}])${escape(part)}`, 'u'));
  return (words) => {
    const text = fold(words);
    if (text.startsWith(whole)) return 2;
    return parts.every((part) => part.test(text)) ? 1 : 0;
  };
}

const escape = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
