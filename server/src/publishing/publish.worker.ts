import { readFileSync } from 'node:fs';
import { parentPort, workerData } from 'node:worker_threads';
import { readBook, type Format } from '@vennet/core/manuscript';
import {
  computedLinks,
  editionOf,
  expectedLinks,
  filesBeside,
  makeEpub,
  makeWebPage,
  PICTURE_EXTENSIONS,
  type Edition,
  withPages,
} from '@vennet/core/publish';
import {
  linksInEpub,
  linksInPdf,
  linksInWebPage,
  prove,
  type FoundLink,
  type Proof,
} from '@vennet/core/readback';
import { surroundingsOf, type Manuscript } from '@vennet/core/wire';
import type { WorkerSays } from '../jobs/in-worker.js';
import { finishPdf } from '../typesetting/finish.js';
import { setPages, TypesettingError } from '../typesetting/typeset.js';

export interface PublishInput {
  format: Format;
  book: Manuscript;
  enclosures: { id: string; name: string; type: string; path: string }[];
  modified: Date;
}

export interface PublishProgress {
  stage: string;
  done: number;
  total: number;
}

export interface Published {
  bytes: Uint8Array;
  proof: Proof;
  notes: string[];
  /** The files that readers need next to the made one: their paths, by the ids of their enclosures. */
  beside: [string, string][];
}

const input = workerData as PublishInput;
const say = (message: WorkerSays<PublishProgress, Published>) => parentPort?.postMessage(message);
const progress = (stage: string, done = 0, total = 0) =>
  say({ says: 'progress', progress: { stage, done, total } });

const makers: Record<
  Format,
  (edition: Edition) => Omit<Published, 'beside'> | Promise<Omit<Published, 'beside'>>
> = {
  epub,
  pdf,
  web,
};

try {
  progress('Reading the book');
  const surroundings = surroundingsOf(input.book);
  const inside = (id: string) => {
    const file = surroundings.files.get(id);
    return file?.travels === 'inside' && file.opensFor === 'everyone';
  };
  const files = input.enclosures.map(({ path, ...file }) => ({
    ...file,
    bytes: new Uint8Array(inside(file.id) || PICTURE_EXTENSIONS[file.type] ? readFileSync(path) : []),
  }));
  const edition = editionOf(readBook(input.book), files, input.format, surroundings);
  const made = await makers[input.format](edition);
  const beside = filesBeside(edition).map(([path, { id }]): [string, string] => [id, path]);
  say({ says: 'done', result: { ...made, beside } });
} catch (error) {
  if (!(error instanceof TypesettingError)) throw error;
  const where = error.chapter ? `The chapter “${error.chapter}” can’t be set` : 'The book can’t be set';
  say({ says: 'refused', reason: { message: `${where}: ${error.why}.` } });
}

function epub(edition: Edition): Omit<Published, 'beside'> {
  progress('Writing the chapters');
  const bytes = makeEpub(edition, { modified: input.modified });
  progress('Reading the file back');
  return { bytes, proof: proofOf(edition, linksInEpub(bytes)), notes: [] };
}

function web(edition: Edition): Omit<Published, 'beside'> {
  progress('Writing the page');
  const bytes = makeWebPage(edition);
  progress('Reading the file back');
  const paths = new Set(filesBeside(edition).map(([path]) => path));
  return { bytes, proof: proofOf(edition, linksInWebPage(bytes, paths)), notes: [] };
}

async function pdf(edition: Edition): Promise<Omit<Published, 'beside'>> {
  progress('Setting the pages');
  const set = setPages(edition);
  const withNumbers = withPages(edition, set.labels);
  const { bytes: plain, notes } = set.write();
  progress('Writing what is said of the links');
  const bytes = await finishPdf(plain, withNumbers, set.places);
  const { links } = await linksInPdf(bytes.slice(), (done, total) =>
    progress('Reading the file back', done, total),
  );
  return { bytes, proof: proofOf(withNumbers, links), notes };
}

function proofOf(edition: Edition, found: FoundLink[]): Proof {
  return prove(expectedLinks(edition), found, computedLinks(edition));
}
