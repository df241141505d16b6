import { writeFileSync } from 'node:fs';
import { readBook, type Format } from '@vennet/core/manuscript';
import {
  companionsOf,
  editionOf,
  filesBeside,
  holdsAll,
  isSite,
  lossesIn,
  makeDocx,
  makeEpub,
  makeMarkdown,
  makeOdt,
  makeWebPage,
  makeWebSite,
  PICTURE_EXTENSIONS,
  type Edition,
  withPages,
} from '@vennet/core/publish';
import {
  linksInDocx,
  linksInEpub,
  linksInMarkdown,
  linksInOdt,
  linksInPdf,
  linksInWebPage,
  linksInWebSite,
  proveCodes,
  provePrinted,
  type FoundLink,
} from '@vennet/core/readback';
import { surroundingsOf } from '@vennet/core/wire';
import { manuscriptFrom } from '../books/book-source.js';
import { work } from '../jobs/work.js';
import { finishPdf } from '../typesetting/finish.js';
import { FONT_TYPES, withFonts } from '../typesetting/fonts.js';
import { inGrey } from '../typesetting/grey.js';
import { setPages } from '../typesetting/typeset.js';
import { filesOf, refusalWords } from './files.js';
import { withListedPages } from './listed-pages.js';
import { pages } from './pages-of-ground.js';
import { ReadingThread } from './second-reader.js';
import type { Made, PublishInput, PublishProgress, Published, Tell } from './publish-work.js';
import { proofTable } from './proof-of.js';

const makers: Record<Format, (edition: Edition, input: PublishInput, tell: Tell) => Made | Promise<Made>> = {
  epub,
  pdf,
  web,
  docx: document(makeDocx, linksInDocx),
  odt: document(makeOdt, linksInOdt),
  markdown,
};

work<PublishInput, PublishProgress, Published>(refusalWords, async (input, progress) => {
  const tell: Tell = (stage, done = 0, total = 0) => progress({ stage, done, total });
  tell('Reading the book');
  const book = manuscriptFrom(input.source);
  const surroundings = surroundingsOf(book);
  const inside = (id: string) => {
    const file = surroundings.files.get(id);
    // An archive holds every file that readers get.
    const travels = file?.travels === 'inside' || (holdsAll(input) && file?.travels === 'beside');
    return travels && file?.opensFor === 'everyone';
  };
  const isSet = input.format === 'pdf' || input.listed !== null;
  const { files: own, notes: ofFonts } = await withFonts(
    filesOf(
      input.enclosures,
      ({ id, type }) => inside(id) || Boolean(PICTURE_EXTENSIONS[type]) || (isSet && FONT_TYPES.has(type)),
    ),
  );
  const files = input.format === 'pdf' && input.pdf.ink === 'grey' ? await inGrey(own) : own;
  if (input.listed) tell('Setting the pages that are listed');
  const { book: read, pages: listed } = input.listed
    ? withListedPages(readBook(book), files, surroundings, input.listed)
    : { book: readBook(book), pages: new Map<string, string>() };
  const edition = editionOf(read, files, input.format, surroundings, {
    pdf: input.pdf,
    flow: input.flow,
    seen: new Map(input.seen),
    pages: listed,
  });
  if (input.careful && input.format === 'pdf')
    for (const [index, chapter] of edition.book.chapters.entries()) {
      const total = edition.book.chapters.length;
      progress({ stage: 'Setting chapter by chapter', done: index, total, chapter: chapter.title });
      // What is said goes out before anything can break.
      await new Promise((resolve) => setTimeout(resolve, 20));
      setPages({ ...edition, book: { ...edition.book, chapters: [chapter] } });
    }
  const made = input.ground ? pages(edition, input, tell) : makers[input.format](edition, input, tell);
  const { bytes, proof, rows, notes, isArchive = false } = await made;
  writeFileSync(input.output, bytes);
  writeFileSync(input.table, JSON.stringify(rows));
  const beside = filesBeside(edition).map(([path, { id }]): [string, string] => [id, path]);
  const losses = lossesIn(edition);
  return {
    size: bytes.length,
    proof,
    losses,
    notes: isSet ? [...ofFonts, ...notes] : notes,
    isArchive,
    beside,
  };
});

function epub(edition: Edition, { modified }: PublishInput, tell: Tell): Made {
  tell('Writing the chapters');
  const bytes = makeEpub(edition, { modified });
  tell('Reading the file back');
  return { bytes, ...proofTable(edition, linksInEpub(bytes)), notes: [] };
}

function web(edition: Edition, { modified }: PublishInput, tell: Tell): Made {
  tell('Writing the page');
  if (isSite(edition)) {
    const bytes = makeWebSite(edition, { modified });
    tell('Reading the file back');
    return { bytes, ...proofTable(edition, linksInWebSite(bytes)), notes: [], isArchive: true };
  }
  const bytes = makeWebPage(edition);
  tell('Reading the file back');
  return { bytes, ...proofTable(edition, linksInWebPage(bytes, pathsBeside(edition))), notes: [] };
}

/** What lies next to a made file. */
const pathsBeside = (edition: Edition): Set<string> =>
  new Set([...filesBeside(edition).map(([path]) => path), ...companionsOf(edition).map(([, file]) => file)]);

/** A form for word processors: how it is made, and how it is read back. */
function document(
  make: (edition: Edition, options: { modified: Date }) => Uint8Array,
  read: (bytes: Uint8Array, files: ReadonlySet<string>) => FoundLink[],
) {
  return (edition: Edition, { modified }: PublishInput, tell: Tell): Made => {
    tell('Writing the document');
    const bytes = make(edition, { modified });
    tell('Reading the file back');
    return { bytes, ...proofTable(edition, read(bytes, pathsBeside(edition))), notes: [] };
  };
}

function markdown(edition: Edition, { modified }: PublishInput, tell: Tell): Made {
  tell('Writing the text');
  const { bytes, isArchive } = makeMarkdown(edition, { modified });
  tell('Reading the file back');
  return { bytes, ...proofTable(edition, linksInMarkdown(bytes)), notes: [], isArchive };
}

async function pdf(edition: Edition, _input: PublishInput, tell: Tell): Promise<Made> {
  tell('Setting the pages');
  const { bytes: plain, notes, places, labels, unseen, printed, backs, qrs } = setPages(edition).write();
  const withNumbers = withPages(edition, labels);
  tell('Writing what is said of the links');
  const lastPage = places.at(-1)?.page ?? 0;
  const { bytes, back } = await ReadingThread.beside(lastPage, async (thread) => {
    const bytes = await finishPdf(plain, withNumbers, places, backs);
    const progress = (done: number, total: number) => tell('Reading the file back', done, total);
    return { bytes, back: await linksInPdf(bytes, progress, thread?.read(bytes)) };
  });
  const { links, cutOff, words } = back;
  const { proof, rows } = proofTable(withNumbers, links, { cutOff, unseen, backs: backs.length });
  if (printed.length > 0)
    proof.printed =
      edition.pdf.addresses === 'qr' ? await proveCodes(bytes, printed, qrs) : provePrinted(printed, words);
  return { bytes, proof, rows, notes };
}
