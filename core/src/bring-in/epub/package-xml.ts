import { parseDocument } from 'htmlparser2';
import { getElementsByTagName, textContent } from 'domutils';
import type { Document, Element } from 'domhandler';
import { decodeLoosely, urlFrom } from '../../destination/index.js';
import { decodeText, XML_ENCODING } from '../../page/index.js';
import { addressInside, INSIDE } from '../book/link-resolver.js';
import { Tally } from '../book/report.js';
import { Tidy } from '../book/tidy.js';

/** A document in which nothing nests deeper than can be followed; what is flattened is not the book's text. */
export const flat = (document: Document): Document => new Tidy(new Tally()).tree(document);

/** XML without entities of its own: what a DOCTYPE declares is never expanded, and nothing outside is read. */
export function parseXml(bytes: Uint8Array): Document {
  return flat(parseDocument(decodeXml(bytes), { xmlMode: true }));
}

/** XHTML as it is met: `<a id="p1"/>` closes itself, HTML's named entities are known, faults are forgiven. */
export function parseXhtml(bytes: Uint8Array): Document {
  return parseDocument(decodeXml(bytes), { recognizeSelfClosing: true, recognizeCDATA: true });
}

const decodeXml = (bytes: Uint8Array): string => decodeText(bytes, XML_ENCODING);

/** Elements by local name, whatever prefix they bear. */
export function elements(document: Document, name: string): Element[] {
  return getElementsByTagName((tag) => tag === name || tag.endsWith(`:${name}`), document.children, true);
}

/** The words of the first of these elements, with one space for each run of white space. */
export function textOf(document: Document, name: string): string {
  const element = elements(document, name)[0];
  return element ? textContent(element).replace(/\s+/g, ' ').trim() : '';
}

/** The path within the e-book that a reference in one of its files leads to; empty for none. */
export function pathFrom(file: string, reference: string): string {
  const url = urlFrom(reference, addressInside(file));
  if (!url?.href.startsWith(INSIDE)) return '';
  return decodeLoosely(url.pathname.slice(1));
}
