import { cleanDrawing, isDrawing, readPicture, type DrawingLink } from '../../cleaning/index.js';
import { urlFrom } from '../../destination/index.js';
import type { BroughtEnclosure } from './brought-in.js';
import { addressInside, INSIDE } from './link-resolver.js';
import type { Tally } from './report.js';

/** Files that make the e-book work and are nothing to read by themselves. */
const PART_OF_BOOK = /^META-INF\/|\.(?:xhtml|html?|opf|ncx|css|js|smil|[ot]tf|woff2?)$/i;

/** The pictures of a file that is brought in: each is read once, however often it is shown. */
export class Enclosures {
  readonly kept: BroughtEnclosure[] = [];
  /** What else is known of the pictures, by their ids. */
  readonly #known = new Map<string, { size: { width: number; height: number }; links: DrawingLink[] }>();
  readonly #bySource = new Map<string, string | null>();

  constructor(
    readonly files: ReadonlyMap<string, Uint8Array>,
    readonly mint: () => string,
    readonly tally: Tally,
    /** Whether a picture that begins well can be read to its end. */
    readonly isWhole: (bytes: Uint8Array) => boolean,
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
    const drawing = isDrawing(bytes) ? cleanDrawing(bytes) : { bytes };
    if ('fault' in drawing) return this.#leaveOut(drawing.fault);
    const id = this.mint();
    const type = 'application/octet-stream';
    this.kept.push({ id, name: path.split('/').at(-1) ?? path, type, bytes: drawing.bytes, picture: false });
    this.#bySource.set(key, id);
    return id;
  }

  /** The size of a picture that was kept, in its own pixels. */
  sizeOf(enclosure: string): { width: number; height: number } | null {
    return this.#known.get(enclosure)?.size ?? null;
  }

  /** The links that stood in a drawing. */
  linksIn(enclosure: string): readonly DrawingLink[] {
    return this.#known.get(enclosure)?.links ?? [];
  }

  #read(src: string, path: string): string | null {
    const data = /^data:image\/[\w.+-]+(;base64)?,(.*)$/is.exec(src.trim());
    if (data)
      return this.#keep(`picture-${this.kept.length + 1}`, dataBytes(data[2] ?? '', Boolean(data[1])));
    if (/^(?:https?:)?\/\//i.test(src))
      return this.#leaveOut('they stand on a web site, and nothing is fetched');
    const bytes = this.files.get(path);
    if (!bytes) return this.#leaveOut('their files did not come along');
    return this.#keep(path.split('/').at(-1) ?? path, bytes, path);
  }

  #keep(name: string, bytes: Uint8Array | null, path = ''): string | null {
    const picture = bytes ? readPicture(bytes) : { fault: 'the picture’s data can’t be read' };
    if ('fault' in picture) return this.#leaveOut(picture.fault);
    if (!this.isWhole(picture.bytes)) return this.#leaveOut('the picture’s data is broken');
    const { type, bytes: clean, size, links } = picture;
    const id = this.mint();
    this.kept.push({ id, name, type, bytes: clean, picture: true });
    const own = path === '' ? [] : links.filter(({ href }) => href.trim().startsWith('#'));
    this.tally.add('leftOut', 'links', 'they led to a part of a drawing', own.length);
    const kept = links.filter((link) => !own.includes(link));
    this.#known.set(id, { size, links: kept.map((link) => ({ ...link, href: fromRoot(link.href, path) })) });
    return id;
  }

  #leaveOut(why: string): null {
    this.tally.add('leftOut', 'pictures', why);
    return null;
  }
}

/** A reference in a file of the book as one from the root of the book, so that it means the same from any file. */
function fromRoot(href: string, path: string): string {
  const url = path === '' ? null : urlFrom(href, addressInside(path));
  return url?.href.startsWith(INSIDE) ? `/${url.href.slice(INSIDE.length)}` : href;
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
