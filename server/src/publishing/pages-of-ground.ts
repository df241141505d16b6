import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { rectOf, userAt } from '@vennet/core/ground';
import {
  openGround,
  pagesThatDiffer,
  readMarked,
  readText,
  writeGround,
  type AttachedFile,
  type GroundFile,
  type GroundTarget,
} from '@vennet/core/ground/file';
import { hrefOf, NOWHERE } from '@vennet/core/destination';
import { pagesOf, placesOnPages, saidOfArea } from '@vennet/core/manuscript';
import { Pdfium } from '@vennet/core/pdfium';
import { bytesOf, filesInside, targetOnPages, type Edition } from '@vennet/core/publish';
import { linksOnPages, proveOnPages, type ExpectedOnPage } from '@vennet/core/readback';
import { WorkRefusal } from '../jobs/in-process.js';
import type { Made, PublishInput, Tell } from './publish-work.js';

/** The finished file of a book of pages, with the links as the book has them; its pages stay as they are, and that is proved too. */
export async function pages(
  edition: Edition,
  { ground, choices, source }: PublishInput,
  tell: Tell,
): Promise<Made> {
  tell('Reading the file');
  const old = new Uint8Array(readFileSync(ground ?? ''));
  const password = source.ground?.password ?? null;
  const doc = edition.book.chapters[0]?.doc;
  if (!doc) throw new WorkRefusal('This book has no pages that are published.');
  const attached = attachedFiles(edition);
  const pdf = await Pdfium.open(old, password ?? '');
  tell('Writing the links');
  const { bytes } = await writeGround(old, {
    write: choices.write ?? 'addition',
    password,
    doc,
    targetOf: ({ destination }) => targetOnPages(edition, destination),
    files: attached,
    textOf: (index, frame) => readText(pdf, index + 1, frame),
    markedOn: (index, frame) => readMarked(pdf, index + 1, frame),
  }).finally(() => pdf.close());
  tell('Comparing the pages');
  const [before, after] = [await openGround(old, password), await openGround(bytes, password)];
  const differing = pagesThatDiffer(before, after);
  const found = await linksOnPages(bytes, password, (done, total) =>
    tell('Reading the file back', done, total),
  );
  const table = proveOnPages(expectedOn(edition, after, attached), found);
  return { bytes, ...table, notes: notesOf(differing) };
}

/** The files that go within it, by their paths: they are called as they are beside other forms. */
const attachedFiles = (edition: Edition): Map<string, AttachedFile> =>
  new Map(
    filesInside(edition).map(([path, { id, type, description }]) => [
      path,
      { name: basename(path), type, description, bytes: bytesOf(edition, id) },
    ]),
  );

const notesOf = (differing: readonly number[]): string[] =>
  differing.length === 0
    ? []
    : [
        `${differing.length === 1 ? 'Page' : 'Pages'} ${differing.slice(0, 20).join(', ')} ${differing.length === 1 ? 'is' : 'are'} not as in the file that was brought in. Let the file be written the other way, and compare it.`,
      ];

/** Every link of a book of pages as its file must have it. */
function expectedOn(
  edition: Edition,
  { pages: sheets }: GroundFile,
  attached: ReadonlyMap<string, AttachedFile>,
): ExpectedOnPage[] {
  const doc = edition.book.chapters[0]?.doc;
  if (!doc) return [];
  const chapter = edition.book.chapters[0]?.id ?? '';
  const places = placesOnPages(doc);
  const leadsIn = (target: GroundTarget): ExpectedOnPage['leads'] => {
    if (target && 'href' in target) return { uri: target.href };
    const file = target && 'attached' in target ? attached.get(target.attached) : null;
    if (file) return { file };
    const to = target && 'place' in target ? places.get(target.place) : null;
    const there = to && sheets[to.page.number - 1];
    if (!to || !there) return { nowhere: true };
    const { x: left, y: top } = userAt(there.frame, to);
    return { spot: { page: to.page.number, left, top, zoom: to.zoom } };
  };
  return pagesOf(doc).flatMap(({ attrs: { number, areas } }) => {
    const sheet = sheets[number - 1];
    if (!sheet) return [];
    return areas.map((area): ExpectedOnPage => {
      const target = targetOnPages(edition, area.destination);
      const said = saidOfArea(area);
      // What leads nowhere as it came stays as the file had it.
      const isAsItWas =
        area.from !== undefined && area.destination.kind === 'place' && area.destination.place === NOWHERE;
      return {
        id: area.id,
        href: hrefOf(area.destination),
        text: said,
        chapter,
        page: number,
        rects: (area.lines ?? [area]).map((box) => rectOf(sheet.frame, box)),
        leads: isAsItWas ? null : leadsIn(target),
        contents: said === '' ? null : said,
      };
    });
  });
}
