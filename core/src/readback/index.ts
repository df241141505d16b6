export { linksInEpub } from './epub.js';
export type { FoundLink } from './found-link.js';
export { linksInPdf } from './pdf.js';
export type { PdfReadback, PlacePosition } from './pdf.js';
export { prove } from './proof.js';
export type { ChangedLink, LostLink, Proof } from './proof.js';
export { linksInWebPage } from './web.js';
