import { PDF, PdfArray, PdfDict, PdfStream, type PdfObject } from '@libpdf/core';
import { NO_TEXT } from '@vennet/core/ground';
import { openGround, pagesThatDiffer, readGround, writeGround } from '@vennet/core/ground/file';
import { pagesOf, schema, setAreas, type LinkArea } from '@vennet/core/manuscript';
import { linksOnPages } from '@vennet/core/readback';
import { writtenPages } from '@vennet/core/testing';
import { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { best, line } from './floor.js';

const WORDS = 'harbour lamp tide keeper sound evening watch'.split(' ');

/** What takes a few milliseconds is run so often that the compiler has come to its end. */
const RUNS = 40;

/** A PDF of so many pages of words, with so many links on each. */
const pagesWith = (count: number, links: number): Uint8Array =>
  writtenPages(
    Array.from({ length: count }, (_, page) => ({
      lines: Array.from({ length: 40 }, (__, row) => ({
        x: 60,
        y: 790 - row * 18,
        size: 11,
        text: Array.from({ length: 12 }, (___, at) => WORDS[(page + row * 3 + at) % 7]).join(' '),
      })),
      annotations: Array.from(
        { length: links },
        (__, at) =>
          `<< /Type /Annot /Subtype /Link /Rect [60 ${780 - at * 36} 160 ${792 - at * 36}] /Border [0 0 0] /A << /S /URI /URI (https://a${at}.example/${page}) >> >>`,
      ),
    })),
    // As makers of PDFs write them.
    { isPacked: true },
  );

/** Reads every object that the pages of a file lead to, once. */
async function readObjects(bytes: Uint8Array): Promise<number> {
  const pdf = await PDF.load(bytes);
  const seen = new Set<PdfObject>();
  const waiting: (PdfObject | undefined)[] = [pdf.context.catalog.getDict()];
  while (waiting.length > 0) {
    const given = waiting.pop();
    const object = given?.type === 'ref' ? pdf.context.resolve(given) : given;
    if (!object || seen.has(object)) continue;
    seen.add(object);
    if (object instanceof PdfArray) waiting.push(...object.toArray());
    else if (object instanceof PdfDict) {
      for (const [, value] of object) waiting.push(value);
      if (object instanceof PdfStream) object.getDecodedData();
    }
  }
  return seen.size;
}

/** Books of pages: writing links behind a file, and proving a long one. */
export async function benchPages(): Promise<void> {
  const bytes = pagesWith(300, 0);
  const { doc } = readGround(await openGround(bytes), () => NO_TEXT);
  const transform = new Transform(Node.fromJSON(schema, doc));
  for (const { attrs, at } of pagesOf(transform.doc).filter((_, index) => index % 6 === 0)) {
    const link: LinkArea = {
      id: `link-${attrs.number}`,
      x: 0.1,
      y: 0.1,
      width: 0.2,
      height: 0.02,
      name: 'The lamp',
      hoverNote: '',
      frame: null,
      destination: { kind: 'web', href: 'https://lamp.example/' },
    };
    setAreas(transform, at, [link]);
  }
  const writing = await best(RUNS, () =>
    writeGround(bytes, {
      write: 'addition',
      password: null,
      doc: transform.doc,
      targetOf: ({ destination }) => (destination.kind === 'web' ? { href: destination.href } : null),
      textOf: () => NO_TEXT,
      markedOn: () => [],
    }),
  );
  const loading = await best(RUNS, () => readObjects(bytes));
  line('Writing 50 links behind a PDF of 300 pages', writing, 'reading its objects', loading, 2);

  const long = pagesWith(1_000, 10);
  const proving = await best(3, async () => {
    const [before, after] = [await openGround(long), await openGround(long.slice())];
    pagesThatDiffer(before, after);
    await linksOnPages(long);
  });
  const reading = await best(3, () => readObjects(long));
  line('Proving 1,000 pages with 10,000 links', proving, 'reading its objects', reading, 3);
}
