import {
  errorInData,
  isTop,
  LONGEST_DATA,
  NO_FACTS,
  PageReader,
  readFragment,
  StreamDecoder,
  type BodyKind,
  type FragmentState,
  type PageFacts,
} from '@vennet/core/page';
import { fileTypeFromBuffer } from 'file-type';
import type { Reply } from './get.js';
import { unpacked, UnpackError } from './unpacked.js';

/** How far a body is read, in bytes after unpacking. */
export const BODY_BOUNDS = {
  /** A page whose fragments are looked for, and one that has none to look for. */
  searched: 16 * 1024 * 1024,
  page: 256 * 1024,
  data: LONGEST_DATA,
  /** A file: enough to see what it is. */
  file: 8 * 1024,
  /** A PDF whose pages are counted, a file that is compared with the Shelf's. */
  document: 64 * 1024 * 1024,
};

export interface BodyOptions {
  /** The fragments that lead into the page, without `#`. */
  fragments: readonly string[];
  /** Longest time for all of it, in ms. */
  timeout: number;
  /** Takes the bytes of a PDF that has to be opened, and says what is in it. */
  openPdf?(bytes: AsyncIterable<Uint8Array>, fragments: readonly string[]): Promise<PdfFound | null>;
  /** Takes every byte of the body, as far as `most`. */
  copy?: BodyCopy;
}

/** Who wants to see every byte of a body, and how many at most. */
export interface BodyCopy {
  most: number;
  take(bytes: Uint8Array): void;
}

/** What was found in a PDF: how many pages it has, and which fragments lead somewhere. */
export interface PdfFound {
  pages: number;
  fragments: [string, FragmentState][];
}

/** What a body is, and how its fragments were found. */
export interface BodyRead {
  page: PageFacts;
  fragments: Map<string, FragmentState>;
  /** Nothing came in time, or it broke off before anything could be seen. */
  cutOff: 'timeout' | 'reset' | null;
}

/** Reads the body of an answer as far as it is needed, and keeps what verdicts need of it. @throws UnpackError */
export async function readBody(reply: Reply, options: BodyOptions): Promise<BodyRead> {
  const told = reply.headers.get('content-type');
  const type = (told.split(';')[0] ?? '').trim().toLowerCase();
  const charset = /charset\s*=\s*["']?([\w.:-]+)/i.exec(told)?.[1];
  const pieces = new Pieces(
    unpacked(reply.body, reply.headers.all('content-encoding').join(',')),
    options.timeout,
    options.copy,
  );
  try {
    const head = await pieces.head();
    const found = head.length === 0 ? '' : await typeOf(head);
    const kind = kindOf(type, found, head);
    const page = { ...NO_FACTS, kind, type, found: contradicts(type, found) ? found : '' };
    const read = await readAs(kind, page, pieces, { ...options, charset, type });
    if (options.copy) await pieces.drain(options.copy.most);
    const { broken } = pieces;
    const isNothing = read.page.title === '' && read.page.allWords === 0 && read.page.bytes < 512;
    const whole = options.copy ? pieces.whole : read.page.whole;
    return {
      ...read,
      page: { ...read.page, whole },
      cutOff: broken && (kind === 'empty' || (kind === 'html' && isNothing)) ? broken : null,
    };
  } finally {
    pieces.stop();
  }
}

interface ReadOptions extends BodyOptions {
  charset: string | undefined;
  type: string;
}

type Read = Omit<BodyRead, 'cutOff'>;

async function readAs(kind: BodyKind, page: PageFacts, pieces: Pieces, options: ReadOptions): Promise<Read> {
  const { fragments, openPdf, charset, type } = options;
  const spots = fragments.filter((fragment) => !isTop(readFragment(fragment).id) || fragment.includes(':~:'));
  const all = (state: FragmentState) =>
    new Map(fragments.map((one) => [one, isTop(one) ? 'there' : state] as const));
  switch (kind) {
    case 'html':
      return readPage(page, pieces, { fragments, spots, charset, xml: type === 'application/xhtml+xml' });
    case 'pdf': {
      if (spots.length === 0 || !openPdf) break;
      const pdf = await openPdf(pieces.upTo(BODY_BOUNDS.document), spots);
      if (!pdf) return { page: { ...page, ...pieces.amount }, fragments: all('unread') };
      const states = new Map<string, FragmentState>([...all('there'), ...pdf.fragments]);
      return { page: { ...page, ...pieces.amount, pages: pdf.pages }, fragments: states };
    }
    case 'json': {
      const decoder = new StreamDecoder(charset);
      let json = '';
      for await (const bytes of pieces.upTo(BODY_BOUNDS.data)) json += decoder.write(bytes);
      json += decoder.end();
      return {
        page: { ...page, ...pieces.amount, error: pieces.whole ? errorInData(json) : '' },
        fragments: all('there'),
      };
    }
    case 'text': {
      // The text of a file is read like that of a page without any element.
      const read = await readPage(page, pieces, { fragments, spots, charset, xml: false, plain: true });
      // RFC 5147: a line or a sign of a plain text.
      for (const one of fragments) if (/^(?:line|char)=\d/.test(one)) read.fragments.set(one, 'there');
      return read;
    }
    case 'other':
      if (spots.length > 0 && /[/+]xml$/.test(type))
        return {
          ...(await readPage(page, pieces, { fragments, spots, charset, xml: true })),
          page: { ...page, ...pieces.amount },
        };
      break;
    case 'empty':
      return { page: { ...page, ...pieces.amount }, fragments: all('missing') };
  }
  return { page: { ...page, ...pieces.amount }, fragments: all('there') };
}

async function readPage(
  page: PageFacts,
  pieces: Pieces,
  how: {
    fragments: readonly string[];
    spots: readonly string[];
    charset: string | undefined;
    xml: boolean;
    plain?: boolean;
  },
): Promise<Read> {
  const reader = new PageReader(how.fragments, { xml: how.xml });
  const decoder = new StreamDecoder(how.charset);
  const write = (text: string) => reader.write(how.plain ? text.replaceAll('<', ' ') : text);
  for await (const bytes of pieces.upTo(how.spots.length > 0 ? BODY_BOUNDS.searched : BODY_BOUNDS.page)) {
    write(decoder.write(bytes));
    if (pieces.amount.bytes >= BODY_BOUNDS.page && reader.hasAll) break;
  }
  write(decoder.end());
  const { fragments, ...facts } = reader.end(pieces.whole);
  return {
    page: { ...page, ...facts, bytes: pieces.amount.bytes },
    fragments,
  };
}

/** The pieces of a body within a time; how much came, and whether it was all. */
class Pieces {
  readonly #iterator: AsyncIterator<Uint8Array>;
  readonly #body: { destroy(): unknown };
  readonly #end: number;
  #head: Uint8Array[] = [];
  #bytes = 0;
  #ended = false;
  /** Why the body did not come to its end. */
  broken: 'timeout' | 'reset' | null = null;

  constructor(
    body: AsyncIterable<Uint8Array> & { destroy(): unknown },
    timeout: number,
    readonly copy: BodyCopy | undefined,
  ) {
    this.#body = body;
    this.#iterator = body[Symbol.asyncIterator]();
    this.#end = Date.now() + timeout;
  }

  get amount(): { bytes: number; whole: boolean } {
    return { bytes: this.#bytes, whole: this.whole };
  }

  get whole(): boolean {
    return this.#ended && this.broken === null;
  }

  /** The first bytes; they come again with the rest. */
  async head(): Promise<Uint8Array> {
    let size = 0;
    while (size < HEAD) {
      const piece = await this.#next();
      if (!piece) break;
      this.#head.push(piece);
      size += piece.length;
    }
    return Buffer.concat(this.#head);
  }

  /** Reads on without looking, for the copy. */
  async drain(most: number): Promise<void> {
    while (this.#bytes < most) {
      const piece = this.#head.shift() ?? (await this.#next());
      if (!piece) return;
      this.#take(piece);
    }
  }

  /** What comes until there are so many bytes. */
  async *upTo(most: number): AsyncIterable<Uint8Array> {
    for (;;) {
      const piece = this.#head.shift() ?? (await this.#next());
      if (!piece) return;
      this.#take(piece);
      yield piece;
      if (this.#bytes >= most) return;
    }
  }

  #take(piece: Uint8Array): void {
    this.#bytes += piece.length;
    this.copy?.take(piece);
  }

  stop(): void {
    this.#body.destroy();
  }

  async #next(): Promise<Uint8Array | null> {
    if (this.#ended) return null;
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<'late'>((resolve) => {
      timer = setTimeout(() => resolve('late'), Math.max(0, this.#end - Date.now()));
    });
    try {
      const next = await Promise.race([this.#iterator.next(), late]);
      if (next !== 'late' && !next.done) return next.value;
      this.#ended = true;
      if (next === 'late') this.broken = 'timeout';
      return null;
    } catch (error) {
      this.#ended = true;
      const { code = '' } = error as NodeJS.ErrnoException;
      const isPacked =
        code.startsWith('Z_') || code.startsWith('ERR_BROTLI') || code.startsWith('ERR__ERROR');
      if (isPacked && this.#bytes === 0 && this.#head.length === 0) throw new UnpackError(code);
      this.broken = /TIMEOUT/.test(code) ? 'timeout' : 'reset';
      return null;
    } finally {
      clearTimeout(timer);
    }
  }
}

/** How many bytes are waited for to see what a body is. */
const HEAD = 1024;

const HTML =
  /^\ufeff?\s*(?:<!--[\s\S]*?-->\s*)*<(?:!doctype\s+html|html|head|body|title|meta|h1|p|div|script|a|br|table)\b/i;

/** The type that the first bytes show; `''` where they show none. */
async function typeOf(head: Uint8Array): Promise<string> {
  if (HTML.test(Buffer.from(head).toString('latin1'))) return 'text/html';
  const known = await fileTypeFromBuffer(head).catch(() => undefined);
  return known && known.mime !== 'application/xml' ? known.mime : '';
}

function kindOf(type: string, found: string, head: Uint8Array): BodyKind {
  if (head.length === 0) return 'empty';
  if (found === 'application/pdf') return 'pdf';
  if (/^(?:text\/html|application\/xhtml\+xml)$/.test(type))
    return found === '' || found === 'text/html' ? 'html' : 'other';
  if (/[/+]json$/.test(type)) return 'json';
  if (type === '' || type === 'application/octet-stream' || type === 'unknown/unknown' || type === '*/*')
    return found === 'text/html' && type === ''
      ? 'html'
      : found === '' && type === '' && !head.includes(0)
        ? 'text'
        : 'other';
  return type.startsWith('text/plain') && found === '' ? 'text' : 'other';
}

/** Whether the first bytes are of quite another type than was told. */
function contradicts(type: string, found: string): boolean {
  if (
    type === '' ||
    found === '' ||
    type === found ||
    /octet-stream|x-download|force-download|binary/.test(type)
  )
    return false;
  const isPage = (one: string) => /html/.test(one);
  if (isPage(found))
    return /^(?:application\/pdf|image\/|audio\/|video\/|application\/(?:epub|zip|vnd|ms))/.test(type);
  if (isPage(type)) return true;
  if (type === 'application/pdf' || found === 'application/pdf') return true;
  const [one] = type.split('/');
  const [other] = found.split('/');
  // Formats in a zip, and containers of sound and film, go by many names.
  return (one === 'image') !== (other === 'image') && !/svg|xml/.test(type);
}
