import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { NodeCompiler, type NodeTypstDocument } from '@myriaddreamin/typst-ts-node-compiler';
import {
  filesInside,
  PICTURE_EXTENSIONS,
  typesetBook,
  type Edition,
  type TypesetBook,
} from '@vennet/core/publish';

/** The typesetter refused the book. `chapter` is the title of the one that it can't set, where one could be found. */
export class TypesettingError extends Error {
  constructor(
    readonly why: string,
    readonly chapter: string | null,
  ) {
    super(why);
  }
}

/** Where a place came to stand: page from 1, the upper left of its line in points from the page's upper left corner. */
export interface SetPlace {
  id: string;
  page: number;
  x: number;
  y: number;
  /** What the page is called by the number on it. */
  number: number;
}

/** A book whose pages are set. */
export interface SetBook {
  places: SetPlace[];
  /** What the page of each place is called, by the place's id. */
  labels: Map<string, string>;
  /** Writes the PDF; `notes` say what is not as it should be in it. Links to places are addresses of the scheme `place:`. */
  write(): { bytes: Uint8Array; notes: string[] };
}

const WORKSPACE = fileURLToPath(new URL('.', import.meta.url));
const TEMPLATE = fileURLToPath(new URL('../../src/typesetting/book.typ', import.meta.url));

/** Sets the pages of a book with the one template. Text reaches it as JSON only. @throws TypesettingError */
export function setPages(edition: Edition): SetBook {
  const compiler = NodeCompiler.create({ workspace: WORKSPACE });
  compiler.addSource(`${WORKSPACE}book.typ`, readFileSync(TEMPLATE, 'utf8'));
  const pictures = new Map<string, string>();
  for (const { id, type, bytes } of edition.enclosures.values()) {
    if (!PICTURE_EXTENSIONS[type]) continue;
    const path = `pictures/${id}.${PICTURE_EXTENSIONS[type]}`;
    pictures.set(id, `/${path}`);
    compiler.mapShadow(WORKSPACE + path, Buffer.from(bytes));
  }
  const data = typesetBook(edition, pictures);
  for (const [path, { id }] of filesInside(edition))
    compiler.mapShadow(WORKSPACE + path, Buffer.from(edition.enclosures.get(id)?.bytes ?? []));
  const compile = (book: TypesetBook) => {
    compiler.mapShadow(`${WORKSPACE}book.json`, Buffer.from(JSON.stringify(book)));
    return compiler.compile({ mainFilePath: `${WORKSPACE}book.typ`, inputs: { book: '/book.json' } });
  };
  const compiled = compile(data);
  const { result } = compiled;
  if (!result) {
    const why = compiled.takeError()?.shortDiagnostics.map(messageOf).join('; ') ?? 'unknown fault';
    const culprit = data.chapters.find((chapter) =>
      compile({ ...data, chapters: [chapter], notes: [], attached: [] }).hasError(),
    );
    throw new TypesettingError(why, culprit?.title ?? null);
  }
  const [places = []] = compiler.query(result, { selector: '<places>', field: 'value' }) as SetPlace[][];
  const labels = new Map(places.map(({ id, number }) => [id, String(number)]));
  return { places, labels, write: () => accessiblePdf(compiler, result) };
}

const messageOf = (diagnostic: unknown) => String((diagnostic as { message?: string }).message ?? diagnostic);

/**
 * Writes PDF/UA-1. The standard forbids signs without a shape; a book that has some is written tagged all the same, and
 * the author is told.
 */
function accessiblePdf(
  compiler: NodeCompiler,
  document: NodeTypstDocument,
): { bytes: Uint8Array; notes: string[] } {
  try {
    return { bytes: new Uint8Array(compiler.pdf(document, { pdfStandard: 'ua-1' })), notes: [] };
  } catch (error) {
    const messages = messagesIn(error);
    const signs = messages.flatMap(
      (one) => /the text `\\?"(.+?)\\?"` could not be displayed/.exec(one)?.[1] ?? [],
    );
    if (signs.length === 0 || signs.length < messages.length)
      throw new TypesettingError(messages.join('; '), null);
    const shown = [...new Set(signs)].slice(0, 12).join(' ');
    return {
      bytes: new Uint8Array(compiler.pdf(document, {})),
      notes: [`The fonts have no shape for ${shown}, so boxes stand there and the file can’t claim PDF/UA.`],
    };
  }
}

/** The compiler's error carries its diagnostics as one text. */
function messagesIn(error: unknown): string[] {
  const text = String((error as { code?: string }).code ?? error);
  const messages = [...text.matchAll(/message: "((?:[^"\\]|\\.)*)"/g)].flatMap((match) => match[1] ?? []);
  return messages.length > 0 ? messages : [text];
}
