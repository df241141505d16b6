import { parseDocument } from 'htmlparser2';
import type { Document } from 'domhandler';
import { decodeLoosely, urlFrom } from '../../destination/index.js';
import { addressInside, INSIDE } from '../book/link-resolver.js';
import { decodeXml } from '../book/xml.js';

/** XHTML as it is met: `<a id="p1"/>` closes itself, HTML's named entities are known, faults are forgiven. */
export function parseXhtml(bytes: Uint8Array): Document {
  return parseDocument(decodeXml(bytes), { recognizeSelfClosing: true, recognizeCDATA: true });
}

/** The path within the e-book that a reference in one of its files leads to; empty for none. */
export function pathFrom(file: string, reference: string): string {
  const url = urlFrom(reference, addressInside(file));
  if (!url?.href.startsWith(INSIDE)) return '';
  return decodeLoosely(url.pathname.slice(1));
}
