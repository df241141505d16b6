export { editionOf } from './edition.js';
export type { Edition, EnclosureFile, ExpectedLink } from './edition.js';
export { makeEpub } from './epub.js';
export type { EpubOptions } from './epub.js';
export { expectedLinks } from './expected.js';
export { lossesIn } from './loss.js';
export type { Format, Loss } from './loss.js';
export { typesetBook } from './typeset-book.js';
export type { TypesetBook, TypesetChapter, TypesetNode } from './typeset-book.js';
