export { Pdfium, PdfiumError } from './pdfium.js';
