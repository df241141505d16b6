export { Pdfium } from './pdfium.js';
