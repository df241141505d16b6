export { readAnnotations, readPage, RIGHT_TO_LEFT } from './page.js';
export type { Annotation, Box, FileInside, FilesRead, LinkElement, PdfPage, Piece, Spot } from './page.js';
export { Pdfium } from './pdfium.js';
export { pagesInTurn, sharedTurns } from './turns.js';
export type { Turn } from './turns.js';
