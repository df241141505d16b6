/** Segmenters are costly to make, and one does for all texts of a language. */
const segmenters = new Map<string, Intl.Segmenter>();

function segmenterOf(language: string): Intl.Segmenter {
  const known = segmenters.get(language) ?? new Intl.Segmenter(language, { granularity: 'word' });
  segmenters.set(language, known);
  return known;
}

/**
 * Where words begin and end in a text (UAX #29 as `Intl.Segmenter` has it; an English possessive ends a word too). Each spot is looked at
 * only when it is asked for.
 */
export class WordEnds {
  readonly #segments: Intl.Segments;
  readonly #english: boolean;

  constructor(
    readonly text: string,
    language: string,
  ) {
    this.#segments = segmenterOf(language).segment(text);
    this.#english = /^en\b/i.test(language);
  }

  /** True where a word begins or ends at an offset in UTF-16 units. */
  at(offset: number): boolean {
    if (offset === 0 || offset === this.text.length) return true;
    const { index, segment } = this.#segments.containing(offset) ?? { index: offset, segment: '' };
    if (index === offset) return true;
    // UAX #29 joins letters over an apostrophe; the possessive is no part of the word that it follows.
    const possessive = this.#english ? /['’]s$/i.exec(segment) : null;
    return possessive !== null && index + possessive.index === offset;
  }
}
