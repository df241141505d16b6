import { recognise, type Destination } from '../destination/index.js';
import { trimmedEnds } from '../repair/index.js';

/**
 * The destination that a link text shows to the eye: the text as a whole when it is an address, or a word in it that
 * begins with a scheme or `www.`. `null` when it shows none.
 */
export function shownAddress(text: string): Destination | null {
  const { start, end } = trimmedEnds(text);
  const whole = text.slice(start, end);
  if (whole !== '' && !/\s/.test(whole)) return addressOf(whole);
  for (const word of whole.split(/\s+/))
    if (/^(?:[a-z]+:\/\/|www\.)/i.test(word)) {
      const ends = trimmedEnds(word);
      const shown = addressOf(word.slice(ends.start, ends.end));
      if (shown) return shown;
    }
  return null;
}

function addressOf(word: string): Destination | null {
  const recognition = recognise(word);
  return recognition.ok ? recognition.destination : null;
}

/** True when the text is an address and nothing else. */
export function isOnlyAddress(text: string): boolean {
  return !/\s/.test(text.trim()) && shownAddress(text) !== null;
}
