import { Fingerprint, NO_FACTS, wordsIn, type PageFacts } from '../page/index.js';

/** What is read of a page with these names and this text. */
export function pageOf(title: string, text: string, more: Partial<PageFacts> = {}): PageFacts {
  const print = new Fingerprint();
  print.add(text);
  const words = wordsIn(text);
  return {
    ...NO_FACTS,
    kind: 'html',
    type: 'text/html',
    title,
    heading: title,
    text: text.slice(0, 1_200),
    words,
    allWords: words,
    print: print.toString(),
    bytes: text.length,
    ...more,
  };
}

/** A text of so many words that an article has. */
export const ARTICLE = Array.from(
  { length: 30 },
  (_, index) => `On day ${index} the keeper of the lamp wrote down what he had seen from the gallery.`,
).join(' ');
