/** Where a sentence ends: a full stop before white space and a capital letter or a figure. One match for each end. */
const SENTENCE_END = /[.!?…]["'”’)\]]*\s+(?=["'“‘([]*[\p{Lu}\p{N}])/gu;

/** Words that end in a full stop of their own: one letter ("U.S."), or one of these (common practice). */
const ABBREVIATION =
  /(?:^|[\s.(])(?:\p{L}|etc|al|ed|eds|vol|no|nos|pp|ch|fig|approx|ltd|inc|co|corp|st|dr|mr|mrs|ms|jr|sr|prof|rev|e\.g|i\.e)\.$/iu;

/** The ends of sentences in a text: each with its full stop and the white space after it. */
export const sentenceEnds = (text: string): RegExpExecArray[] => [...text.matchAll(SENTENCE_END)];

/** True for a text whose last full stop belongs to its last word. */
export const endsInAbbreviation = (text: string): boolean => ABBREVIATION.test(text);
