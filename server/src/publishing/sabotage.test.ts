import { beforeAll, describe, expect, test } from '@jest/globals';
import { PDF, PdfArray, PdfDict, PdfName, PdfNumber, PdfString } from '@libpdf/core';
import { openGround } from '@vennet/core/ground/file';
import { editionOf, makeEpub, withPages, type Edition } from '@vennet/core/publish';
import { linksInEpub, linksInPdf, type Proof } from '@vennet/core/readback';
import { bookOf, heading, linked, paragraph, place } from '@vennet/core/testing';
import { schema } from '@vennet/core/manuscript';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { finishPdf } from '../typesetting/finish.js';
import { setPages } from '../typesetting/typeset.js';
import { proofOf } from './proof-of.js';

const noted = schema.text('the ferry', [
  schema.marks.link.create({
    id: 'ferry',
    destination: { kind: 'web', href: 'https://ferry.example/' },
    hoverNote: 'Sails at noon',
  }),
]);
const book = bookOf([
  heading(1, 'Tides', 'tides'),
  paragraph('Read ', linked('the tide tables', 'https://tides.example/low'), ' before you go.'),
  paragraph('Take ', noted, ' back.'),
  heading(2, 'The light', 'light'),
  paragraph('It is told in ', linked('the first part', place('tides')), ' how to get to it.'),
  paragraph('And in ', linked('what is said of the light', place('light')), '.'),
]);
const ids = ({ lost, changed }: Proof) => [
  ...lost.map(({ text }) => `lost: ${text}`),
  ...changed.map(({ text, change }) => `${change}: ${text}`),
];

describe('an e-book', () => {
  const edition = editionOf(book, [], 'epub');
  const clean = makeEpub(edition, { modified: new Date(0) });
  const spoilt = (change: (page: string) => string) => {
    const files = unzipSync(clean);
    const path = 'EPUB/chapter-001.xhtml';
    const page = change(strFromU8(files[path]!));
    expect(page).not.toBe(strFromU8(files[path]!));
    return proofOf(edition, linksInEpub(zipSync({ ...files, [path]: strToU8(page) })));
  };

  test('that is clean gives no alarm', () => {
    const proof = proofOf(edition, linksInEpub(clean));
    expect([ids(proof), proof.added, proof.computed.lost, proof.computed.changed]).toEqual([[], [], [], []]);
  });

  test.each<[string, (page: string) => string, string]>([
    [
      'one link taken out',
      (page) => page.replace(/<a href="https:\/\/tides[^>]*>(.*?)<\/a>/, '$1'),
      'lost: the tide tables',
    ],
    [
      'one address changed',
      (page) => page.replace('https://tides.example/low', 'https://tides.example/high'),
      'address: the tide tables',
    ],
    [
      'one address changed by its last sign',
      (page) => page.replace('https://ferry.example/', 'https://ferry.example'),
      'address: the ferry',
    ],
    [
      'the words of one changed',
      (page) => page.replace('>the tide tables<', '>the tide table<'),
      'words: the tide tables',
    ],
    ['one hover note changed', (page) => page.replace('Sails at noon', 'Sails at ten'), 'note: the ferry'],
    [
      'one place inside moved',
      (page) => page.replace(' id="light"', '').replace('<p>It is told', '<p id="light">It is told'),
      'target: what is said of the light',
    ],
    [
      'one place inside taken out',
      (page) => page.replace(' id="light"', ''),
      'target: what is said of the light',
    ],
    [
      'one link led elsewhere inside',
      (page) => page.replace('#tides">the first', '#light">the first'),
      'address: the first part',
    ],
  ])('with %s is found out, and the link is named', (_what, change, named) => {
    expect(ids(spoilt(change))).toEqual([named]);
  });
});

describe('a PDF', () => {
  let edition: Edition;
  let clean: Uint8Array;
  beforeAll(async () => {
    const plain = editionOf(book, [], 'pdf');
    const set = setPages(plain).write();
    edition = withPages(plain, set.labels);
    clean = await finishPdf(set.bytes, edition, set.places);
  });

  /** The file with its link to an address written over; `null` takes it out. */
  async function spoilt(uri: string, change: ((annotation: PdfDict) => void) | null): Promise<Proof> {
    const { pdf, pages, resolve } = await openGround(clean);
    let changed = 0;
    for (const { dict } of pages) {
      const list = resolve(dict.get('Annots'));
      if (!(list instanceof PdfArray)) continue;
      for (let at = list.length - 1; at >= 0; at--) {
        const annotation = resolve(list.at(at));
        const action = annotation instanceof PdfDict ? resolve(annotation.get('A')) : null;
        const address = action instanceof PdfDict ? action.getString('URI', resolve)?.asString() : undefined;
        if (!(annotation instanceof PdfDict) || address !== uri) continue;
        changed++;
        if (change) change(annotation);
        else list.remove(at);
      }
    }
    expect(changed).toBe(1);
    return proofOf(edition, (await linksInPdf(await pdf.save())).links);
  }

  test('that is clean gives no alarm', async () => {
    const proof = proofOf(edition, (await linksInPdf(clean.slice())).links);
    expect([ids(proof), proof.added, proof.computed.lost, proof.computed.changed]).toEqual([[], [], [], []]);
    // Neither does one that only another program has written again.
    const again = await (await PDF.load(clean)).save();
    expect(ids(proofOf(edition, (await linksInPdf(again)).links))).toEqual([]);
  });

  const move = (by: number) => (annotation: PdfDict) => {
    const rect = annotation.get('Rect') as PdfArray;
    const sides = rect.toArray().map((side) => (side as PdfNumber).value);
    annotation.set(
      'Rect',
      new PdfArray(sides.map((side, at) => PdfNumber.of(at % 2 === 0 ? side + by : side))),
    );
    annotation.delete('QuadPoints');
  };
  const leadTo = (uri: string) => (annotation: PdfDict) =>
    annotation.set(
      'A',
      PdfDict.of({ Type: PdfName.of('Action'), S: PdfName.of('URI'), URI: PdfString.fromString(uri) }),
    );

  test.each<[string, string, ((annotation: PdfDict) => void) | null, string]>([
    ['one link taken out', 'https://tides.example/low', null, 'lost: the tide tables'],
    [
      'one address changed',
      'https://tides.example/low',
      leadTo('https://tides.example/high'),
      'address: the tide tables',
    ],
    ['one moved by 5 points', 'https://tides.example/low', move(5), 'place: the tide tables'],
    [
      'one hover note changed',
      'https://ferry.example/',
      (one) => one.set('Contents', PdfString.fromString('Sails at ten')),
      'note: the ferry',
    ],
  ])('with %s is found out, and the link is named', async (_what, uri, change, named) => {
    expect(ids(await spoilt(uri, change))).toEqual([named]);
  });
});
