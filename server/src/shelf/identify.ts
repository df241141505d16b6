import { open } from 'node:fs/promises';
import { typeWords } from '@vennet/core/language';
import { fileTypeFromFile } from 'file-type';
import mime from 'mime';

/** How much of a file is read to see whether it is text, in bytes. */
const HEAD = 64 * 1024;

/** Other names in use for one type. */
const SAME: Record<string, string> = {
  'audio/vnd.wave': 'audio/wav',
  'audio/wave': 'audio/wav',
  'audio/x-wav': 'audio/wav',
  'audio/x-flac': 'audio/flac',
  'audio/x-m4a': 'audio/mp4',
  'application/x-zip-compressed': 'application/zip',
};

/** Types that are text: their content can't be told from other text but by its name. */
const IS_TEXT =
  /^text\/|^application\/(?:json|javascript|xml|sql|x-sh|x-yaml|yaml|toml|rtf|[\w.-]+\+(?:json|xml))$/;

/** Roots of XML documents that are types of their own. */
const ROOTS: [RegExp, string][] = [
  [/<svg[\s>]/i, 'image/svg+xml'],
  [/<gpx[\s>]/i, 'application/gpx+xml'],
  [/<(?:!doctype\s+)?html[\s>]/i, 'text/html'],
];

/** The media type of a file, told by its content; its name decides between kinds of text only. */
export async function identify(path: string, name: string): Promise<string> {
  const known = await fileTypeFromFile(path).catch(() => undefined);
  if (known && known.mime !== 'application/xml') return SAME[known.mime] ?? known.mime;
  const head = await headOf(path);
  const text = textIn(head);
  if (text === null) return 'application/octet-stream';
  const root = /^\s*(?:<\?xml|<!|<svg|<gpx|<html)/i.test(text)
    ? ROOTS.find(([pattern]) => pattern.test(text))?.[1]
    : undefined;
  if (root) return root;
  if (known) return known.mime;
  const named = typeByName(name);
  return named && IS_TEXT.test(named) && !named.endsWith('xml') && named !== 'text/html'
    ? named
    : 'text/plain';
}

/** What a file's name says that it is, in words, where its content is something else; otherwise `null`. */
export function claimOf(name: string, type: string): string | null {
  const named = typeByName(name);
  if (!named || named === type || (IS_TEXT.test(named) && IS_TEXT.test(type))) return null;
  const ending = endingOf(name);
  if (ending && mime.getAllExtensions(type)?.has(ending)) return null;
  return typeWords(named, name);
}

function typeByName(name: string): string | null {
  const ending = endingOf(name);
  const type = ending ? mime.getType(ending) : null;
  return type && (SAME[type] ?? type);
}

const endingOf = (name: string) => /\.([a-z0-9]{1,8})$/i.exec(name)?.[1]?.toLowerCase();

async function headOf(path: string): Promise<Uint8Array> {
  const file = await open(path);
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(HEAD), 0, HEAD, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await file.close();
  }
}

/** The head of a file as text; `null` when it is none. A sign cut in two at its end does not count against it. */
function textIn(head: Uint8Array): string | null {
  if (head.includes(0)) return null;
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(head, { stream: head.length === HEAD });
  } catch {
    // Older texts are in one-byte encodings: mostly letters, no control characters.
    const control = head.filter((byte) => byte < 32 && byte !== 9 && byte !== 10 && byte !== 13).length;
    const high = head.filter((byte) => byte > 126).length;
    return control === 0 && high < head.length / 4 ? new TextDecoder('windows-1252').decode(head) : null;
  }
}
