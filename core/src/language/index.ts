export { fileWords, sizeWords, tellFile, typeWords } from './file-words.js';
export type { FileTold } from './file-words.js';
export { AUTHOR_LANGUAGE, counted, message, nounFor } from './messages.js';
export { phrases } from './phrases.js';
export { endsInAbbreviation, sentenceEnds } from './sentences.js';
export { faultInSigns, MOST_MARKS, plainWords, withFewMarks, withoutForbidden } from './signs.js';
export type { Phrases } from './tongues/tongue.js';
export { isVague, vagueWords } from './vague-words.js';
