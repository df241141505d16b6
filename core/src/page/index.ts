export { decodeText, headOf, markedEncoding } from './encoding.js';
export { titleIn, titleOfPage } from './title.js';
