import { parseDocument } from 'htmlparser2';
import { getElementsByTagName, textContent } from 'domutils';
import type { Document, Element } from 'domhandler';
import { decodeText, XML_ENCODING } from '../../page/index.js';
import { Tally } from './report.js';
import { Tidy } from './tidy.js';

/** A document in which nothing nests deeper than can be followed; what is flattened is not the book's text. */
export const flat = (document: Document): Document => new Tidy(new Tally()).tree(document);

/** XML without entities of its own: what a DOCTYPE declares is never expanded, and nothing outside is read. */
export const parseXml = (bytes: Uint8Array): Document =>
  flat(parseDocument(decodeXml(bytes), { xmlMode: true }));

export const decodeXml = (bytes: Uint8Array): string => decodeText(bytes, XML_ENCODING);

/** Elements by local name, whatever prefix they bear. */
export function elements(document: Document, name: string): Element[] {
  return getElementsByTagName((tag) => tag === name || tag.endsWith(`:${name}`), document.children, true);
}

/** The words of the first of these elements, with one space for each run of white space. */
export function textOf(document: Document, name: string): string {
  const element = elements(document, name)[0];
  return element ? textContent(element).replace(/\s+/g, ' ').trim() : '';
}
