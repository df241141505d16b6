import {
  PdfArray,
  PdfDict,
  PdfName,
  PdfNumber,
  type PdfRef,
  PdfStream,
  PdfString,
  type PdfObject,
} from '@libpdf/core';
import { orderOfBytes } from '../bytes.js';
import type { GroundFile } from './open.js';
import { pairsIn } from './tree.js';

/** A file that goes within a PDF. */
export interface AttachedFile {
  name: string;
  /** Its MIME type. */
  type: string;
  /** What is said of it; may be empty. */
  description: string;
  bytes: Uint8Array;
}

/** The files that are put into a PDF (ISO 32000-1, 7.11.4): each once, however many links lead to it. */
export class Attachments {
  readonly #specs = new Map<string, PdfRef>();

  constructor(
    private readonly file: GroundFile,
    /** By the names under which they are found in the PDF. */
    private readonly files: ReadonlyMap<string, AttachedFile>,
  ) {}

  /** The file specification of a file; `null` for one that is not there. */
  specOf(path: string): PdfRef | null {
    const known = this.#specs.get(path);
    const file = this.files.get(path);
    if (known || !file) return known ?? null;
    const { context } = this.file.pdf;
    const bytes = new PdfStream(
      [
        ['Type', PdfName.of('EmbeddedFile')],
        ['Subtype', PdfName.of(file.type)],
        ['Params', PdfDict.of({ Size: PdfNumber.of(file.bytes.length) })],
      ],
      file.bytes,
    );
    const stream = context.register(bytes);
    const name = PdfString.fromString(file.name);
    const spec = PdfDict.of({
      Type: PdfName.of('Filespec'),
      F: name,
      UF: name,
      EF: PdfDict.of({ F: stream, UF: stream }),
      Desc: PdfString.fromString(file.description || file.name),
    });
    const ref = context.register(spec);
    this.#specs.set(path, ref);
    return ref;
  }

  /** Lists what was put in, after what the PDF had before. */
  write(): void {
    if (this.#specs.size === 0) return;
    const { pdf, catalog, resolve } = this.file;
    const given = resolve(catalog.get('Names'));
    const names = given instanceof PdfDict ? given : new PdfDict();
    if (names !== given) catalog.set('Names', names);
    const pairs = [...pairsIn(names.get('EmbeddedFiles'), 'Names', resolve)].flatMap(
      ([key, value]): [PdfString, PdfObject][] => (key instanceof PdfString ? [[key, value]] : []),
    );
    const taken = new Set(pairs.map(([key]) => key.asString()));
    for (const [path, spec] of this.#specs) {
      let key = path;
      for (let count = 2; taken.has(key); count++) key = `${path} ${count}`;
      taken.add(key);
      pairs.push([PdfString.fromString(key), spec]);
    }
    // A name tree is in the order of its keys (ISO 32000-1, 7.9.6).
    pairs.sort(([one], [other]) => orderOfBytes(one.bytes, other.bytes));
    const tree = PdfDict.of({ Names: new PdfArray(pairs.flat()) });
    names.set('EmbeddedFiles', pdf.context.register(tree));
  }
}
