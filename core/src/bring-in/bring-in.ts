import { unpack } from './book/archive.js';
import { decodeText, headOf, markedEncoding } from '../page/index.js';
import { readDocx } from './docx/docx.js';
import { readEpub } from './epub/epub.js';
import { readHtml } from './html/html.js';
import type { BroughtIn } from './book/brought-in.js';
import { holdsMarkdown, isMarkdownName, readMarkdown } from './markdown/markdown.js';
import { readOdt } from './odt/odt.js';
import { NO_TRIALS, type Trials } from './book/trials.js';
import { BringInError } from './book/refusal.js';

export interface BringInSource {
  /** As the author's computer calls it; used for a title where the file has none. */
  name: string;
  bytes: Uint8Array;
}

/**
 * Makes a book from an EPUB, an HTML page, a document of a word processor (DOCX, ODT) or texts in Markdown. The kind of file is told by its
 * content; Markdown by its name. `mint` gives a new id at each
 * call: letters and digits, beginning with a letter.
 *
 * @throws BringInError
 */
export function bringIn(source: BringInSource, mint: () => string, trials: Partial<Trials> = {}): BroughtIn {
  const { bytes } = source;
  const all = { ...NO_TRIALS, ...trials };
  if (bytes.length === 0)
    throw new BringInError('empty', 'This file is empty. Choose the file that holds your book.');
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) return readArchive(unpack(bytes), source.name, mint, all);
  refuseCompound(bytes);
  const text = decode(bytes);
  if (text !== null && isMarkdownName(source.name))
    return readMarkdown(new Map([[source.name, bytes]]), source.name, mint, all);
  if (
    !text ||
    !/<(?:!doctype html|html|head|body|h[1-6]|p|div|article|section)\b/i.test(text.slice(0, 65_536))
  )
    throw new BringInError(
      'unknown-format',
      'This file is of none of the kinds that can be brought in: EPUB, HTML, DOCX, ODT and Markdown (.md). Save your book as one of them and try again.',
    );
  return readHtml(text, source.name, mint, all);
}

/** The archives that books come in: which one it is stands in its parts. */
function readArchive(files: Map<string, Uint8Array>, ...rest: [string, () => string, Trials]): BroughtIn {
  if (files.has('[Content_Types].xml')) return readDocx(files, ...rest);
  if (files.has('content.xml')) return readOdt(files, ...rest);
  if (!files.has('META-INF/container.xml') && holdsMarkdown(files)) return readMarkdown(files, ...rest);
  return readEpub(files, ...rest);
}

/** How files of older office programs begin ([MS-CFB], 2.2): locked documents are packed so too. */
const COMPOUND = [0xd0, 0xcf, 0x11, 0xe0];

/** @throws BringInError for a file of an older office program, and a document that is locked */
function refuseCompound(bytes: Uint8Array): void {
  if (!COMPOUND.every((byte, at) => bytes[at] === byte)) return;
  const isLocked = new TextDecoder('utf-16le')
    .decode(bytes.subarray(0, 2 ** 20))
    .includes('EncryptedPackage');
  throw isLocked
    ? new BringInError(
        'encrypted',
        'This document is locked with a password, so its text can’t be read. Save a copy without one, and bring that in.',
      )
    : new BringInError(
        'unknown-format',
        'This file is of an older office program (.doc). Open it in your word processor, save it as .docx or .odt, and bring that in.',
      );
}

const HTML_ENCODING = /<meta[^>]+charset\s*=\s*["']?([\w-]+)/i;

/** The text of an HTML file; `null` for a file that is not text. */
function decode(bytes: Uint8Array): string | null {
  if (!markedEncoding(bytes) && headOf(bytes).includes('\0')) return null;
  return decodeText(bytes, HTML_ENCODING);
}
