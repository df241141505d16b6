export { linksInDocx } from './docx.js';
export { linksInEpub } from './epub.js';
export { foundWithoutUnseen, withoutUnseen } from './unseen.js';
export type { CutOffLine, FoundLink, Landing } from './found-link.js';
export { linksInPdf } from './pdf.js';
export type { PdfReadback } from './pdf.js';
export { LINK_CHANGES, prove } from './proof.js';
export type { ChangedLink, LostLink, Proof, ProofPart } from './proof.js';
export { linksInWebPage } from './web.js';
