import { parseDocument } from 'htmlparser2';
import type { Document } from 'domhandler';
import { decodeXml } from '../book/xml.js';

/** XHTML as it is met: `<a id="p1"/>` closes itself, HTML's named entities are known, faults are forgiven. */
export function parseXhtml(bytes: Uint8Array): Document {
  return parseDocument(decodeXml(bytes), { recognizeSelfClosing: true, recognizeCDATA: true });
}
