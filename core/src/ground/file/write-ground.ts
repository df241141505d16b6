import {
  PdfArray,
  PdfDict,
  PdfName,
  PdfNull,
  PdfNumber,
  PdfStream,
  PdfString,
  type PdfObject,
} from '@libpdf/core';
import type { Node } from 'prosemirror-model';
import {
  entriesOf,
  holdsMiddle,
  pagesOf,
  placesOnPages,
  saidOfArea,
  type AreaFrame,
  type Box,
  type GroundPageAttrs,
  type LinkArea,
  type PagePlace,
} from '../../manuscript/index.js';
import { Attachments, type AttachedFile } from './attachments.js';
import { annotationsOn } from './links.js';
import { openGround, type FilePage, type GroundFile } from './open.js';
import { leadsToPage, type FileEntry } from './outline.js';
import { Structure, type ContentsUnder } from './structure.js';
import { writeOutline, type WantedEntry } from './write-outline.js';
import { rectOf, userAt, type PageFrame, type Rect } from '../frame.js';
import { readPages, UNTITLED, type TextOf } from './read-ground.js';

/** Where a link leads in the written file: a place of the book, an address, a file within it, or nowhere. */
export type GroundTarget = { place: string } | { href: string } | { attached: string } | null;

/** A piece of a page with the number of its marked content. */
export interface MarkedPiece extends Box {
  content: number;
  /** Nobody sees it. */
  unseen?: true;
}

export interface WriteGround {
  /** Behind the old bytes, which stay as they are, or all of it anew. */
  write: 'addition' | 'anew';
  password: string | null;
  /** The pages of the book. */
  doc: Node;
  targetOf(link: LinkArea): GroundTarget;
  /** The files that go within it, by the names that links lead to them by. */
  files?: ReadonlyMap<string, AttachedFile>;
  textOf: TextOf;
  /** The marked contents of a page, in reading order; asked only of tagged files, for pages that get a link. */
  markedOn(index: number, frame: PageFrame): readonly MarkedPiece[];
}

/** What was done to the links of a file. */
export interface GroundWritten {
  bytes: Uint8Array;
  added: number;
  changed: number;
  removed: number;
}

/**
 * The file with the links and the outline as the book has them. What was not changed stays as it was, to the byte; pages stay as they
 * are in any case.
 *
 * @throws GroundError; RangeError when nothing can be added to this file
 */
export async function writeGround(bytes: Uint8Array, wanted: WriteGround): Promise<GroundWritten> {
  const file = await openGround(bytes, wanted.password);
  if (wanted.write === 'addition' && file.cannotAdd)
    throw new RangeError(`nothing can be added to this file: ${file.cannotAdd}`);
  const { pages, outline } = readPages(file, wanted.textOf);
  const writer = new Writer(file, wanted);
  for (const { attrs } of pagesOf(wanted.doc)) writer.page(attrs, pages[attrs.number - 1]?.areas ?? []);
  writer.outline(outline);
  writer.attachments.write();
  const written = await file.pdf.save({ incremental: wanted.write === 'addition' });
  const { added, changed, removed } = writer;
  return { bytes: written, added, changed, removed };
}

class Writer {
  added = 0;
  changed = 0;
  removed = 0;
  readonly attachments: Attachments;
  readonly #file: GroundFile;
  readonly #wanted: WriteGround;
  readonly #structure: Structure | null;
  readonly #places: ReadonlyMap<string, PagePlace>;

  constructor(file: GroundFile, wanted: WriteGround) {
    this.#file = file;
    this.#wanted = wanted;
    this.#structure = Structure.of(file);
    this.#places = placesOnPages(wanted.doc);
    this.attachments = new Attachments(file, wanted.files ?? new Map());
  }

  /** Brings the links of a page to what they are in the book. @param old as they are in the file */
  page({ number, areas }: GroundPageAttrs, old: readonly LinkArea[]): void {
    const page = this.#file.pages[number - 1];
    if (!page) return;
    const wanted = new Map(areas.flatMap((area) => (area.from ? [[area.from, area]] : [])));
    const had = new Map(old.map((area) => [area.from ?? '', area]));
    const gone = new Set<PdfObject>();
    const attached = new Set<LinkArea>();
    for (const { from, annotation, entry } of annotationsOn(page, number - 1, this.#file.resolve)) {
      const before = had.get(from);
      if (!before) continue;
      const now = wanted.get(from);
      if (now && isSame(before, now)) {
        if (!annotation.has('Contents') && saidOfArea(now) !== '')
          annotation.set('Contents', PdfString.fromString(saidOfArea(now)));
      } else if (now && this.#write(annotation, now, page, before)) this.changed++;
      else {
        gone.add(entry);
        this.#structure?.removeLink(annotation);
        // A file is opened by annotations of another kind.
        if (now && this.#attaches(now)) {
          this.changed++;
          attached.add(now);
        } else this.removed++;
      }
    }
    if (gone.size > 0) this.#keepOnly(page, (entry) => !gone.has(entry));
    for (const area of areas)
      if (attached.has(area)) this.#attach(area, page, number - 1);
      else if (!area.from || !had.has(area.from)) {
        const isAdded = this.#attaches(area)
          ? this.#attach(area, page, number - 1)
          : this.#add(area, page, number - 1);
        if (isAdded) this.added++;
      }
    // Links are met in the order of the structure (ISO 14289-1, 7.18.3).
    if (this.#structure && areas.length > 0 && page.dict.getName('Tabs', this.#file.resolve)?.value !== 'S')
      page.dict.set('Tabs', PdfName.of('S'));
  }

  #add(area: LinkArea, page: FilePage, index: number): boolean {
    const annotation = annotationOf('Link', page);
    if (!this.#write(annotation, area, page, null)) return false;
    this.#put([annotation], 'Link', area, page, index);
    return true;
  }

  #attaches(area: LinkArea): boolean {
    const target = this.#wanted.targetOf(area);
    return target !== null && 'attached' in target;
  }

  /** An annotation that opens a file within the PDF (ISO 32000-1, 12.5.6.15): one for each line, and all of them are one group. */
  #attach(area: LinkArea, page: FilePage, index: number): boolean {
    const target = this.#wanted.targetOf(area);
    const spec = target && 'attached' in target ? this.attachments.specOf(target.attached) : null;
    if (!spec) return false;
    const said = saidOfArea(area);
    const annotations = (area.lines ?? [area]).map((box) => {
      const rect = rectOf(page.frame, box);
      const annotation = annotationOf('FileAttachment', page);
      annotation.set('Rect', numbers(rect));
      annotation.set('FS', spec);
      if (said !== '') annotation.set('Contents', PdfString.fromString(said));
      // Readers would draw a sign of their own; what is there already is what is pressed.
      const drawing = this.#file.pdf.context.register(frameDrawing(rect, area.frame));
      annotation.set('AP', PdfDict.of({ N: drawing }));
      return annotation;
    });
    this.#put(annotations, 'Annot', area, page, index);
    return true;
  }

  /** Puts the annotations of a link on its page and into the structure. */
  #put(
    annotations: readonly PdfDict[],
    role: 'Link' | 'Annot',
    area: LinkArea,
    page: FilePage,
    index: number,
  ): void {
    const refs = annotations.map((annotation) => this.#file.pdf.context.register(annotation));
    for (const one of annotations.slice(1)) {
      one.set('IRT', refs[0]!);
      one.set('RT', PdfName.of('Group'));
    }
    const list = this.#file.resolve(page.dict.get('Annots'));
    if (list instanceof PdfArray) list.push(...refs);
    else page.dict.set('Annots', new PdfArray([...refs]));
    const marked = this.#structure ? this.#wanted.markedOn(index, page.frame) : [];
    this.#structure?.add(role, refs, page, contentsUnder(marked, area));
  }

  /** Writes a link into its annotation; only what differs from `before`. `false` for one that leads nowhere. */
  #write(annotation: PdfDict, area: LinkArea, page: FilePage, before: LinkArea | null): boolean {
    const differs = (part: (area: LinkArea) => unknown) =>
      !before || JSON.stringify(part(before)) !== JSON.stringify(part(area));
    if (differs(({ destination }) => destination)) {
      const target = this.#wanted.targetOf(area);
      if (!target || 'attached' in target) return false;
      annotation.delete('Dest');
      annotation.delete('A');
      if ('href' in target)
        annotation.set(
          'A',
          PdfDict.of({ Type: PdfName.of('Action'), S: PdfName.of('URI'), URI: ascii(target.href) }),
        );
      else {
        const destination = this.#destination(target.place);
        if (!destination) return false;
        annotation.set(
          'A',
          PdfDict.of({ Type: PdfName.of('Action'), S: PdfName.of('GoTo'), D: destination }),
        );
      }
    }
    if (differs(({ x, y, width, height, lines }) => [x, y, width, height, lines])) {
      const rects = (area.lines ?? [area]).map((box) => rectOf(page.frame, box));
      annotation.set('Rect', numbers(around(rects)));
      if (area.lines || area.words) annotation.set('QuadPoints', numbers(rects.flatMap(quadOf)));
      else annotation.delete('QuadPoints');
    }
    if (differs(({ frame }) => frame)) frame(annotation, area.frame);
    const said = saidOfArea(area);
    if (differs(saidOfArea) || !annotation.has('Contents')) {
      if (said === '') annotation.delete('Contents');
      else annotation.set('Contents', PdfString.fromString(said));
    }
    // A drawing of its own would show its old place and look (ISO 32000-1, 12.5.5).
    annotation.delete('AP');
    return true;
  }

  /** An exact spot (ISO 32000-1, table 151); `null` where there is none. */
  #destination(place: string): PdfArray | null {
    const found = this.#places.get(place);
    const page = found && this.#file.pages[found.page.number - 1];
    if (!page) return null;
    const { x, y } = userAt(page.frame, found);
    const zoom = found.zoom === null ? PdfNull.instance : PdfNumber.of(found.zoom);
    return new PdfArray([page.ref, PdfName.of('XYZ'), number(x), number(y), zoom]);
  }

  #keepOnly(page: FilePage, stays: (entry: PdfObject) => boolean): void {
    const list = this.#file.resolve(page.dict.get('Annots'));
    if (!(list instanceof PdfArray)) return;
    for (let at = list.length - 1; at >= 0; at--) {
      const entry = list.at(at);
      if (entry && !stays(entry)) list.remove(at);
    }
  }

  /** Brings the outline to what it is in the book. @param old as it is in the file */
  outline(old: readonly FileEntry[]): void {
    const wanted = entriesOf(this.#wanted.doc).map(
      ({ attrs: { level, page, y, from }, title }): WantedEntry => {
        const index = (this.#places.get(page)?.page.number ?? 1) - 1;
        return { title, level, page: index, y, from };
      },
    );
    const had = old.filter(leadsToPage);
    const isSame =
      had.length === wanted.length &&
      had.every(({ title, level, target, from }, at) => {
        const now = wanted[at];
        return (
          now?.from === from &&
          now.title === (title || UNTITLED) &&
          now.level === level &&
          now.page === target.page &&
          now.y === (target.spot?.y ?? null)
        );
      });
    if (!isSame) writeOutline(this.#file, old, wanted);
  }
}

const annotationOf = (subtype: 'Link' | 'FileAttachment', page: FilePage): PdfDict =>
  PdfDict.of({
    Type: PdfName.of('Annot'),
    Subtype: PdfName.of(subtype),
    P: page.ref,
    // It is printed where it is framed (ISO 32000-1, table 165).
    F: PdfNumber.of(4),
  });

/** Whether a link of the file is as the author left it. */
function isSame(before: LinkArea, now: LinkArea): boolean {
  const read = ({ x, y, width, height, lines, frame, destination, name, words }: LinkArea) =>
    JSON.stringify([
      x,
      y,
      width,
      height,
      lines ?? null,
      frame,
      destination,
      saidOfArea({ name, words: words ?? '' }),
    ]);
  return read(before) === read(now);
}

/** The marked contents under a link. What nobody sees under an area with a name is not heard either; its name is. */
function contentsUnder(marked: readonly MarkedPiece[], area: LinkArea): ContentsUnder {
  const boxes = area.lines ?? [area];
  const isUnder = (piece: Box) => boxes.some((box) => holdsMiddle(box, piece));
  const under = new Set<number>();
  const beside = new Set<number>();
  const seen = new Set<number>();
  for (const piece of marked) {
    (isUnder(piece) ? under : beside).add(piece.content);
    if (!piece.unseen) seen.add(piece.content);
  }
  const unseen = area.lines ? [] : [...under].filter((content) => !seen.has(content));
  const instead = area.name !== '' && unseen.length > 0 ? { contents: unseen, words: area.name } : null;
  if (under.size > 0)
    return {
      near: [...under],
      whole: new Set([...under].filter((content) => !beside.has(content))),
      instead,
    };
  // Nothing stands there: it comes after what stands above it.
  const top = Math.min(...boxes.map(({ y }) => y));
  const above = marked.filter(({ y }) => y <= top);
  const last = above.reduce<MarkedPiece | null>(
    (one, other) => (!one || other.y >= one.y ? other : one),
    null,
  );
  const near = last ? [last.content] : marked[0] ? [marked[0].content] : [];
  return { near, whole: new Set(), instead };
}

const STYLES: Readonly<Record<AreaFrame['line'], string>> = {
  solid: 'S',
  dashed: 'D',
  dotted: 'D',
  under: 'U',
};

/** How the edge of a link is drawn (ISO 32000-1, 12.5.4). */
function frame(annotation: PdfDict, look: AreaFrame | null): void {
  annotation.delete('BS');
  annotation.delete('C');
  annotation.set('Border', numbers([0, 0, look?.width ?? 0]));
  if (!look) return;
  const style = PdfDict.of({ W: PdfNumber.of(look.width), S: PdfName.of(STYLES[look.line]) });
  if (look.line === 'dashed') style.set('D', numbers([3, 2]));
  if (look.line === 'dotted') style.set('D', numbers([look.width, look.width * 1.5]));
  annotation.set('BS', style);
  annotation.set('C', numbers(shares(look.colour)));
}

/** Red, green and blue of a colour such as `#1a5276`, from 0 to 1. */
const shares = (colour: string): number[] =>
  [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16) / 255);

/** The drawing of an annotation with a frame, or of one that shows nothing (ISO 32000-1, 12.5.5). */
function frameDrawing([left, bottom, right, top]: Rect, look: AreaFrame | null): PdfStream {
  const [width, height] = [right - left, top - bottom];
  const half = (look?.width ?? 0) / 2;
  const dashes = { solid: '', under: '', dashed: '[3 2] 0 d', dotted: `[${2 * half} ${3 * half}] 0 d` };
  const edge =
    look?.line === 'under'
      ? `0 ${half} m ${width} ${half} l`
      : `${half} ${half} ${width - 2 * half} ${height - 2 * half} re`;
  const drawn = look
    ? `${shares(look.colour).join(' ')} RG ${look.width} w ${dashes[look.line]} ${edge} S`
    : '';
  return new PdfStream(
    [
      ['Type', PdfName.of('XObject')],
      ['Subtype', PdfName.of('Form')],
      ['BBox', numbers([0, 0, width, height])],
    ],
    new TextEncoder().encode(drawn),
  );
}

/** Its corners in the order in which makers write them: upper left, upper right, lower left, lower right (common practice). */
const quadOf = ([left, bottom, right, top]: Rect): number[] => [
  left,
  top,
  right,
  top,
  left,
  bottom,
  right,
  bottom,
];

const around = (rects: readonly Rect[]): number[] => [
  Math.min(...rects.map(([left]) => left)),
  Math.min(...rects.map(([, bottom]) => bottom)),
  Math.max(...rects.map(([, , right]) => right)),
  Math.max(...rects.map(([, , , top]) => top)),
];

const number = (value: number): PdfNumber => PdfNumber.of(Math.round(value * 1000) / 1000);
const numbers = (values: readonly number[]): PdfArray => new PdfArray(values.map(number));
/** An address is written in ASCII (ISO 32000-1, 12.6.4.7). */
const ascii = (text: string): PdfString => PdfString.fromBytes(new TextEncoder().encode(text));
