import { imageSize } from 'image-size';
import { readPicture, type BroughtEnclosure } from './picture.js';
import type { Tally } from './report.js';

/** Files that make the e-book work and are nothing to read by themselves. */
const PART_OF_BOOK = /^META-INF\/|\.(?:xhtml|html?|opf|ncx|css|js|smil|[ot]tf|woff2?)$/i;

/** The pictures of a file that is brought in: each is read once, however often it is shown. */
export class Enclosures {
  readonly kept: BroughtEnclosure[] = [];
  readonly #bySource = new Map<string, string | null>();

  constructor(
    readonly files: ReadonlyMap<string, Uint8Array>,
    readonly mint: () => string,
    readonly tally: Tally,
  ) {}

  /** The enclosure of a picture by its `src`; `path` is the file that it names inside the book, or empty. */
  fromSource(src: string, path: string): string | null {
    const known = this.#bySource.get(path || src);
    if (known !== undefined) return known;
    const enclosure = this.#read(src, path);
    this.#bySource.set(path || src, enclosure);
    return enclosure;
  }

  fromDrawing(svg: string): string | null {
    const own = svg.includes('xmlns=') ? svg : svg.replace('<svg', '<svg xmlns="http://www.w3.org/2000/svg"');
    return this.#keep(`drawing-${this.kept.length + 1}.svg`, new TextEncoder().encode(own));
  }

  /** The enclosure of a file that links lead to; `null` when it did not come along, or is part of the book's own works. */
  fromFile(path: string): string | null {
    const key = `file ${path}`;
    const known = this.#bySource.get(key);
    if (known !== undefined) return known;
    const bytes = this.files.get(path);
    if (!bytes || bytes.length === 0 || PART_OF_BOOK.test(path)) return null;
    const id = this.mint();
    const type = 'application/octet-stream';
    this.kept.push({ id, name: path.split('/').at(-1) ?? path, type, bytes, picture: false });
    this.#bySource.set(key, id);
    return id;
  }

  sizeOf(enclosure: string): { width: number; height: number } | null {
    const kept = this.kept.find(({ id }) => id === enclosure);
    if (!kept) return null;
    const { width, height } = imageSize(kept.bytes);
    return { width, height };
  }

  #read(src: string, path: string): string | null {
    const data = /^data:image\/[\w.+-]+(;base64)?,(.*)$/is.exec(src.trim());
    if (data)
      return this.#keep(`picture-${this.kept.length + 1}`, dataBytes(data[2] ?? '', Boolean(data[1])));
    if (/^(?:https?:)?\/\//i.test(src))
      return this.#leaveOut('they stand on a web site, and nothing is fetched');
    const bytes = this.files.get(path);
    if (!bytes) return this.#leaveOut('their files did not come along');
    return this.#keep(path.split('/').at(-1) ?? path, bytes);
  }

  #keep(name: string, bytes: Uint8Array | null): string | null {
    const picture = bytes ? readPicture(bytes) : { fault: 'the picture’s data can’t be read' };
    if ('fault' in picture) return this.#leaveOut(picture.fault);
    const id = this.mint();
    this.kept.push({ id, name, ...picture, picture: true });
    return id;
  }

  #leaveOut(why: string): null {
    this.tally.add('leftOut', 'pictures', why);
    return null;
  }
}

function dataBytes(data: string, base64: boolean): Uint8Array | null {
  try {
    const text = decodeURIComponent(data);
    return base64
      ? Uint8Array.from(atob(text), (sign) => sign.charCodeAt(0))
      : new TextEncoder().encode(text);
  } catch {
    return null;
  }
}
