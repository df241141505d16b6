export { fileWords, sizeWords, tellFile, typeWords } from './file-words.js';
export type { FileTold } from './file-words.js';
export { AUTHOR_LANGUAGE, counted, many, message, nounFor } from './messages.js';
export { isNotFound, notFoundIn, NOT_FOUND_LANGUAGES, notFoundSentence, stateIn } from './page-state.js';
export type { PageState } from './page-state.js';
export { languageTold } from './tag-told.js';
export { directionOf, directionOfWords, type Direction } from './direction.js';
export { areOneLanguage, languageTag, primaryOf } from './tag.js';
export { navigationWords } from './navigation-words.js';
export type { NavigationWords } from './navigation-words.js';
export { phrases } from './phrases.js';
export { APOSTROPHE, quotesOf, type Quotes } from './quotes.js';
export { endsInAbbreviation, sentenceEnds } from './sentences.js';
export { faultInSigns, MOST_MARKS, plainWords, withFewMarks, withoutForbidden } from './signs.js';
export type { Phrases } from './tongues/tongue.js';
export { LINK_WORD_LANGUAGES } from './link-words/index.js';
export {
  describesPicture,
  fold,
  isPictureWord,
  isSourcesHeading,
  isVague,
  languageName,
  pageNamedIn,
  saysLanguage,
  saysMail,
  saysNewWindow,
  tellingWords,
} from './link-text.js';
