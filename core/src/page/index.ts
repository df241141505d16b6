export { decodeText, headOf, markedEncoding, XML_ENCODING } from './encoding.js';
export { titleIn, titleOfPage } from './title.js';
