import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { NodeCompiler, type NodeTypstDocument } from '@myriaddreamin/typst-ts-node-compiler';
import {
  filesInside,
  isFont,
  PICTURE_EXTENSIONS,
  qrDrawing,
  typesetBook,
  withPlainBlocks,
  type Edition,
  type PrintedAddress,
  type SetPlainly,
  type TypesetBook,
} from '@vennet/core/publish';
import { shippedFolders } from './fonts.js';

/** The typesetter refused the book, however plainly it was to be set. */
export class TypesettingError extends Error {}

/** Where a place came to stand: page from 1, the upper left of its line in points from the page's upper left corner. */
export interface SetPlace {
  id: string;
  page: number;
  x: number;
  y: number;
  /** How the page is counted, and what it is called by the number on it. */
  number: number;
  label: string;
}

/** The words of a way back at the foot of a page: the left end of their line and their size, in points from the page's upper left corner. */
export interface SetBack {
  page: number;
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Where the code of an address stands, in points from the page's upper left corner. */
export interface SetQr {
  number: number;
  page: number;
  x: number;
  y: number;
  side: number;
}

/** A book whose pages are set. */
export interface SetBook {
  places: SetPlace[];
  /** What the page of each place is called, by the place's id. */
  labels: Map<string, string>;
  /** The addresses that are printed. */
  printed: readonly PrintedAddress[];
  backs: readonly SetBack[];
  qrs: readonly SetQr[];
  /** Writes the PDF. Where that can't be done with the pages as they are, they are set anew. @throws TypesettingError */
  write(): SetPdf;
}

/** A PDF as the typesetter writes it: links of which more is to be said have addresses of its own (`ownAddress`). */
export interface SetPdf extends Omit<SetBook, 'write'> {
  bytes: Uint8Array;
  /** What is not as it should be in it. */
  notes: string[];
  /** Signs that no font has a shape for. */
  unseen: ReadonlySet<string>;
}

const WORKSPACE = fileURLToPath(new URL('.', import.meta.url));
const TEMPLATE = fileURLToPath(new URL('../../src/typesetting/book.typ', import.meta.url));

/**
 * Sets the pages of a book with the one template. Text reaches it as JSON only. What the typesetter refuses is set as plain
 * paragraphs, and told. @throws TypesettingError
 */
export function setPages(edition: Edition): SetBook {
  const setter = new Typesetter(edition);
  const { data } = setter;
  const first = attempt(() => setter.set(data));
  if ('fault' in first) return setPlainly(setter, first.fault);
  const write = (): SetPdf => {
    const made = attempt(() => first.done.write());
    return 'fault' in made ? setPlainly(setter, made.fault).write() : made.done;
  };
  return { ...first.done, write };
}

function setPlainly(setter: Typesetter, fault: TypesettingError): SetBook {
  const refuses = (book: TypesetBook) => 'fault' in attempt(() => setter.set(book).write());
  const { book, plainly } = withPlainBlocks(setter.data, refuses);
  if (plainly.length === 0) throw fault;
  const set = setter.set(book);
  const told = plainly.map(toldOf);
  return { ...set, write: () => withNotes(set.write(), told) };
}

const withNotes = (made: SetPdf, notes: string[]): SetPdf => ({ ...made, notes: [...notes, ...made.notes] });

const toldOf = ({ chapter, element, words }: SetPlainly) =>
  `The ${element} “${words}”${chapter ? ` in the chapter “${chapter}”` : ''} can’t be set in its form, so it stands as plain paragraphs, with its links.`;

type Attempt<Result> = { done: Result } | { fault: TypesettingError };

function attempt<Result>(act: () => Result): Attempt<Result> {
  try {
    return { done: act() };
  } catch (fault) {
    if (fault instanceof TypesettingError) return { fault };
    throw fault;
  }
}

/** The typesetter with the pictures and files of one book. */
class Typesetter {
  readonly #compiler: NodeCompiler;
  readonly data: TypesetBook;

  constructor(edition: Edition) {
    const fontBlobs = [...edition.enclosures.values()].filter(isFont).map(({ bytes }) => Buffer.from(bytes));
    this.#compiler = NodeCompiler.create({
      workspace: WORKSPACE,
      // Its search for fonts breaks off where those in memory come after those of folders.
      fontArgs: [{ fontBlobs }, { fontPaths: shippedFolders() }],
    });
    this.#compiler.addSource(`${WORKSPACE}book.typ`, readFileSync(TEMPLATE, 'utf8'));
    const pictures = new Map<string, string>();
    for (const { id, type, bytes } of edition.enclosures.values()) {
      if (!PICTURE_EXTENSIONS[type]) continue;
      const path = `pictures/${id}.${PICTURE_EXTENSIONS[type]}`;
      pictures.set(id, `/${path}`);
      this.#compiler.mapShadow(WORKSPACE + path, Buffer.from(bytes));
    }
    this.data = typesetBook(edition, pictures);
    if (this.data.set.qr)
      // An address that is marked several times has one code.
      for (const [number, address] of new Map(this.data.printed.map((one) => [one.number, one.address])))
        this.#compiler.mapShadow(`${WORKSPACE}qr/${number}.svg`, Buffer.from(qrDrawing(address)));
    for (const [path, { id }] of filesInside(edition)) {
      const bytes = edition.enclosures.get(id)?.bytes ?? [];
      // An attached file without bytes ends the typesetter as it writes.
      this.#compiler.mapShadow(WORKSPACE + path, Buffer.from(bytes.length > 0 ? bytes : '\n'));
    }
  }

  /** @throws TypesettingError, as does `write` */
  set(book: TypesetBook): SetBook {
    const compiler = this.#compiler;
    compiler.mapShadow(`${WORKSPACE}book.json`, Buffer.from(JSON.stringify(book)));
    const compiled = compiler.compile({
      mainFilePath: `${WORKSPACE}book.typ`,
      inputs: { book: '/book.json' },
    });
    const { result } = compiled;
    if (!result)
      throw new TypesettingError(
        compiled.takeError()?.shortDiagnostics.map(messageOf).join('; ') ?? 'unknown fault',
      );
    const [places = []] = compiler.query(result, { selector: '<places>', field: 'value' }) as SetPlace[][];
    // The head of a table stands on each of its pages: the place is on the first.
    const labels = new Map(places.toReversed().map(({ id, label }) => [id, label]));
    const { printed } = book;
    const [backs = []] = compiler.query(result, { selector: '<backs>', field: 'value' }) as SetBack[][];
    const [qrs = []] = compiler.query(result, { selector: '<qrs>', field: 'value' }) as SetQr[][];
    const known = { places, labels, printed, backs, qrs };
    return { ...known, write: () => ({ ...known, ...accessiblePdf(compiler, result) }) };
  }
}

const messageOf = (diagnostic: unknown) => String((diagnostic as { message?: string }).message ?? diagnostic);

/**
 * Writes PDF/UA-1. The standard forbids signs without a shape; a book that has some is written tagged all the same, and
 * the author is told.
 */
function accessiblePdf(
  compiler: NodeCompiler,
  document: NodeTypstDocument,
): Pick<SetPdf, 'bytes' | 'notes' | 'unseen'> {
  try {
    return {
      bytes: new Uint8Array(compiler.pdf(document, { pdfStandard: 'ua-1' })),
      notes: [],
      unseen: new Set(),
    };
  } catch (error) {
    const messages = messagesIn(error);
    const signs = messages.flatMap((one) =>
      unescaped(/the text `\\?"(.+?)\\?"` could not be displayed/.exec(one)?.[1] ?? ''),
    );
    if (signs.length === 0 || signs.length < messages.length) throw new TypesettingError(messages.join('; '));
    const unseen = new Set(signs.flatMap((sign) => Array.from(unescaped(sign))));
    // Signs that only join others have a shape in no font; one beside them is what is missing.
    const shown = [...unseen]
      .filter((sign) => !/\p{Cf}/u.test(sign))
      .slice(0, 12)
      .join(' ');
    return {
      bytes: new Uint8Array(compiler.pdf(document, {})),
      unseen,
      notes: [`The fonts have no shape for ${shown}, so boxes stand there and the file can’t claim PDF/UA.`],
    };
  }
}

/** The compiler writes signs that can't be seen by their number. */
const unescaped = (text: string): string =>
  text.replace(/\\+u\{([0-9a-f]+)\}/gi, (_, code: string) => String.fromCodePoint(parseInt(code, 16)));

/** The compiler's error carries its diagnostics as one text. */
function messagesIn(error: unknown): string[] {
  const text = String((error as { code?: string }).code ?? error);
  const messages = [...text.matchAll(/message: "((?:[^"\\]|\\.)*)"/g)].flatMap((match) => match[1] ?? []);
  return messages.length > 0 ? messages : [text];
}
