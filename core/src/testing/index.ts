/** Small books and files for the tests of every package. Nothing that ships uses this folder. */
export * from './books.js';
export * from './shelf.js';
export * from './documents.js';
export * from './zip.js';
export { wholeBook, wholeBookPictures, wholeBookSurroundings } from './whole-book.js';
export * from './hostile-drawings.js';
export { CLEAN_EXAMPLES, EXAMPLE_HEAD, FAULTY_EXAMPLES } from './published-examples.js';
export { writtenPages, writtenPdf, type Written, type WrittenPage } from './written-pdf.js';
export { saidBy } from './programs.js';
