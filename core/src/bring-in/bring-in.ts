import { unpack } from './epub/archive.js';
import { decodeText, headOf, markedEncoding } from '../page/index.js';
import { readEpub } from './epub/epub.js';
import { readHtml } from './html/html.js';
import type { BroughtIn } from './book/brought-in.js';
import { BringInError } from './book/refusal.js';

export interface BringInSource {
  /** As the author's computer calls it; used for a title where the file has none. */
  name: string;
  bytes: Uint8Array;
}

/**
 * Makes a book from an EPUB or an HTML file. The kind of file is told by its content. `mint` gives a new id at each
 * call: letters and digits, beginning with a letter. `isWhole` says of a picture that begins well whether it can be read to its end; one that
 * can't is left out.
 *
 * @throws BringInError
 */
export function bringIn(
  source: BringInSource,
  mint: () => string,
  isWhole: (bytes: Uint8Array) => boolean = () => true,
): BroughtIn {
  const { bytes } = source;
  if (bytes.length === 0)
    throw new BringInError('empty', 'This file is empty. Choose the file that holds your book.');
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) return readEpub(unpack(bytes), source.name, mint, isWhole);
  const text = decode(bytes);
  if (
    !text ||
    !/<(?:!doctype html|html|head|body|h[1-6]|p|div|article|section)\b/i.test(text.slice(0, 65_536))
  )
    throw new BringInError(
      'unknown-format',
      'This file is neither an EPUB nor an HTML page, the two kinds that can be brought in. Save your book as one of them and try again.',
    );
  return readHtml(text, source.name, mint, isWhole);
}

const HTML_ENCODING = /<meta[^>]+charset\s*=\s*["']?([\w-]+)/i;

/** The text of an HTML file; `null` for a file that is not text. */
function decode(bytes: Uint8Array): string | null {
  if (!markedEncoding(bytes) && headOf(bytes).includes('\0')) return null;
  return decodeText(bytes, HTML_ENCODING);
}
