import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { NodeCompiler, type NodeTypstDocument } from '@myriaddreamin/typst-ts-node-compiler';
import {
  contentsTitle,
  expectedLinks,
  filesInside,
  PICTURE_EXTENSIONS,
  typesetBook,
  type Edition,
  type TypesetBook,
} from '@vennet/core/publish';
import type { PlacePosition } from '@vennet/core/readback';

/** The typesetter refused the book. `chapter` is the title of the one that it can't set, where one could be found. */
export class TypesettingError extends Error {
  constructor(
    readonly why: string,
    readonly chapter: string | null,
  ) {
    super(why);
  }
}

export interface TypesetPdf {
  bytes: Uint8Array;
  /** Where the places are that links lead to. */
  places: PlacePosition[];
  notes: string[];
}

const WORKSPACE = fileURLToPath(new URL('.', import.meta.url));
const TEMPLATE = fileURLToPath(new URL('../../src/typesetting/book.typ', import.meta.url));

/** Sets a book as a PDF (PDF/UA-1) with the one template. Text reaches it as JSON only. @throws TypesettingError */
export function typesetPdf(edition: Edition): TypesetPdf {
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
  const entries = new Set(data.list.entries.map(({ id }) => id));
  const targets = [...new Set(expectedLinks(edition).map(({ href }) => href))].filter(
    (href) => href.startsWith('#') && (edition.places.has(href.slice(1)) || entries.has(href.slice(1))),
  );
  const compile = (book: TypesetBook, places: string[]) => {
    compiler.mapShadow(`${WORKSPACE}book.json`, Buffer.from(JSON.stringify(book)));
    return compiler.compile({
      mainFilePath: `${WORKSPACE}book.typ`,
      inputs: { book: '/book.json', contents: contentsTitle(book.language), places: JSON.stringify(places) },
    });
  };
  const compiled = compile(
    data,
    targets.map((href) => href.slice(1)),
  );
  if (!compiled.result) {
    const why = compiled.takeError()?.shortDiagnostics.map(messageOf).join('; ') ?? 'unknown fault';
    const culprit = data.chapters.find((chapter) =>
      compile({ ...data, chapters: [withoutPlaces(chapter)], attached: [] }, []).hasError(),
    );
    throw new TypesettingError(why, culprit?.title ?? null);
  }
  const [positions] = compiler.query(compiled.result, {
    selector: '<places>',
    field: 'value',
  }) as Positions[];
  const places = positions.map(({ id, page, x, y }) => ({
    id,
    page,
    x: Number.parseFloat(x),
    y: Number.parseFloat(y),
  }));
  return { places, ...accessiblePdf(compiler, compiled.result) };
}

type Positions = { id: string; page: number; x: string; y: string }[];

const messageOf = (diagnostic: unknown) => String((diagnostic as { message?: string }).message ?? diagnostic);

/** A chapter alone can't lead into others, so it is tried without its links inside the book. */
function withoutPlaces<Value>(value: Value): Value {
  return JSON.parse(
    JSON.stringify(value, (key, inner: unknown) => (key === 'place' ? undefined : inner)),
  ) as Value;
}

/**
 * Writes PDF/UA-1. The standard forbids signs without a shape; a book that has some is written tagged all the same, and
 * the author is told.
 */
function accessiblePdf(
  compiler: NodeCompiler,
  document: NodeTypstDocument,
): Pick<TypesetPdf, 'bytes' | 'notes'> {
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
  const messages = [...text.matchAll(/message: "((?:[^"\\]|\\.)*)"/g)].map((match) => match[1]);
  return messages.length > 0 ? messages : [text];
}
