import { endsInAbbreviation } from '../language/index.js';

const SPACE = /[\s\u00a0\u200b]/u;
const STOP = /[.,;:]/;
const PAIRS: Record<string, string> = { ')': '(', ']': '[', '}': '{', '”': '“', '’': '‘', '»': '«' };
const OPENERS = new Set(Object.values(PAIRS));

/**
 * Where the words of a link begin and end without space and punctuation at their ends.
 * Question and exclamation marks belong to the words; a bracket or quotation mark does when its partner is inside.
 */
export function trimmedEnds(text: string): { start: number; end: number } {
  let start = 0;
  let end = text.length;
  while (
    start < end &&
    (SPACE.test(text.charAt(start)) || STOP.test(text.charAt(start)) || opensAlone(text, start, end))
  )
    start++;
  while (end > start && dropsEnd(text, start, end)) end--;
  return { start, end };
}

function dropsEnd(text: string, start: number, end: number): boolean {
  const last = text.charAt(end - 1);
  if (last === '.') return !endsInAbbreviation(text.slice(start, end)) && text[end - 2] !== '.';
  const partner = PAIRS[last];
  return (
    SPACE.test(last) ||
    STOP.test(last) ||
    (partner !== undefined && closesAlone(text, start, end, partner, last))
  );
}

function opensAlone(text: string, start: number, end: number): boolean {
  const opener = text.charAt(start);
  if (!OPENERS.has(opener)) return false;
  const partner = Object.keys(PAIRS).find((closer) => PAIRS[closer] === opener);
  return partner !== undefined && !text.slice(start + 1, end).includes(partner);
}

function closesAlone(text: string, start: number, end: number, opener: string, closer: string): boolean {
  const inside = [...text.slice(start, end)];
  const count = (sign: string) => inside.filter((one) => one === sign).length;
  return count(closer) > count(opener);
}
