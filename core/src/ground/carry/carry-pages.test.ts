import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from '@jest/globals';
import { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { hrefOf } from '../../destination/index.js';
import {
  attrsOf,
  boxAround,
  entriesOf,
  faultInChapter,
  pagesOf,
  schema,
  setAreas,
  setSpots,
  type LinkArea,
} from '../../manuscript/index.js';
import { Pdfium } from '../../pdfium/index.js';
import { writtenPages, type WrittenPage } from '../../testing/index.js';
import { openGround, readGround, readText } from '../file/index.js';
import { boxesOf, carryPages, planPages, wordsIn, wordsOfLine, type Edition } from '../index.js';

async function editionOf(bytes: Uint8Array): Promise<Edition> {
  const file = await openGround(bytes);
  const pdf = await Pdfium.open(bytes);
  const texts = file.pages.map(({ frame }, index) => readText(pdf, index + 1, frame));
  pdf.close();
  return { doc: Node.fromJSON(schema, readGround(file, (index) => texts[index]!).doc), texts };
}

/** Links on these words, each to an address of its own that says which they are. */
function linked({ doc, texts }: Edition, wanted: readonly string[]): Edition {
  const transform = new Transform(doc);
  for (const { node, at } of pagesOf(doc)) {
    const { number, areas } = attrsOf.page(node);
    const made = texts[number - 1]!.lines.flatMap((line, row) =>
      wanted.flatMap((words): LinkArea[] => {
        const from = wordsOfLine(line).indexOf(words);
        if (from < 0) return [];
        const lines = boxesOf(texts[number - 1]!, [{ line: row, from, to: from + words.length }]);
        return [
          {
            id: `link-to-${words.replace(/\W+/g, '-')}`,
            ...boxAround(lines),
            lines,
            words,
            name: '',
            hoverNote: '',
            frame: null,
            destination: { kind: 'web', href: `https://lamp.example/${encodeURIComponent(words)}` },
          },
        ];
      }),
    );
    setAreas(transform, at, [...areas, ...made]);
  }
  return { doc: transform.doc, texts };
}

const leaflet = (name: string) =>
  new Uint8Array(readFileSync(fileURLToPath(new URL(`../../../../demo/leaflet/${name}`, import.meta.url))));

const SOUNDS = [
  'lamp',
  'tide',
  'quay',
  'wick',
  'skerry',
  'bell',
  'keeper',
  'boat',
  'sand',
  'fog',
  'oil',
  'harbour',
  'rock',
  'winter',
  'gull',
  'ladder',
  'lens',
  'north',
];

/** Paragraphs of words by chance, the same each time; and the words that are linked, one in each. */
function paragraphs(count: number, seed = 7): { text: string[]; links: string[] } {
  let state = seed;
  const next = (most: number) => (state = (state * 1103515245 + 12345) % 2147483648) % most;
  const text: string[] = [];
  const links: string[] = [];
  for (let at = 0; at < count; at++) {
    const words = Array.from({ length: 26 }, () => SOUNDS[next(SOUNDS.length)]!);
    words.splice(9, 0, `${words[3]}${at} ${words[5]}`);
    links.push(words[9]!);
    text.push(words.join(' '));
  }
  return { text, links };
}

/** Paragraphs set in lines of so many signs, in pages of so many lines. */
function set(text: readonly string[], size: number, perLine: number, perPage: number): Uint8Array {
  const lines = text.flatMap((paragraph) => {
    const out: string[] = [''];
    for (const word of paragraph.split(' '))
      if (out.at(-1)!.length + word.length > perLine) out.push(word);
      else out[out.length - 1] = `${out.at(-1)} ${word}`.trim();
    return out;
  });
  const pages: WrittenPage[] = [];
  for (let at = 0; at < lines.length; at += perPage)
    pages.push({
      lines: lines
        .slice(at, at + perPage)
        .map((line, row) => ({ x: 60, y: 780 - row * size * 1.3, size, text: line })),
    });
  return writtenPages(pages);
}

describe('a new edition of a finished file', () => {
  test('gets the links of the older one: those that are sure are right, and none is dropped in silence', async () => {
    const { text, links } = paragraphs(60);
    const old = linked(await editionOf(set(text, 10, 90, 40)), links);
    const count = pagesOf(old.doc).reduce((sum, { node }) => sum + attrsOf.page(node).areas.length, 0);
    // Another size, another order of the parts, and one word in eight paragraphs edited; one paragraph is gone.
    const changed = text.map((paragraph, at) =>
      at % 8 === 3 ? paragraph.replace(/(\w+)$/, 'newly $1') : paragraph,
    );
    const moved = [...changed.slice(30), ...changed.slice(0, 29)];
    const fresh = await editionOf(set(moved, 12, 70, 34));
    const plan = planPages(old, fresh);
    expect(plan.items).toHaveLength(count);
    const sure = plan.items.filter(({ fate }) => fate === 'sure');
    const right = plan.items.filter((item) => {
      const spot = plan.goes.get(item);
      if (spot?.kind !== 'link') return false;
      const words = wordsIn(fresh.texts[spot.page - 1]!, spot.area.lines ?? [spot.area]);
      return `https://lamp.example/${encodeURIComponent(words)}` === hrefOf(spot.area.destination);
    });
    expect(sure.every((item) => right.includes(item))).toBe(true);
    expect(right.length).toBeGreaterThanOrEqual((count - 1) * 0.98);
    expect(sure.length).toBeGreaterThanOrEqual((count - 1) * 0.9);
    const { doc } = carryPages(
      fresh.doc,
      plan,
      ({ fate }) => fate === 'sure',
      () => 'unused',
    );
    expect(faultInChapter(doc.toJSON())).toBeNull();
    expect(pagesOf(doc).reduce((sum, { node }) => sum + attrsOf.page(node).areas.length, 0)).toBe(
      sure.length,
    );
  });

  test('of the leaflet keeps what was made, drawn areas at their words', async () => {
    const first = await editionOf(leaflet('across-the-sound.pdf'));
    const old = linked(first, ['low waters', 'Book a place', 'Fig. 1']);
    const fresh = await editionOf(leaflet('across-the-sound-2027.pdf'));
    const plan = planPages(old, fresh);
    const made = plan.items.filter(({ id }) => id.startsWith('link-to-'));
    expect(made.length).toBeGreaterThanOrEqual(3);
    for (const item of made) {
      const spot = plan.goes.get(item);
      if (spot?.kind !== 'link') throw new Error('it goes nowhere');
      expect(wordsIn(fresh.texts[spot.page - 1]!, spot.area.lines ?? [spot.area])).toBe(
        item.old.words === 'fig . 1' ? 'Fig. 1' : spot.area.words,
      );
    }
    // What the new edition has itself is not carried again.
    expect(plan.items.filter(({ fate }) => fate === 'there').length).toBeGreaterThan(0);
  });

  test('has areas on the pictures on which they lay, wherever these stand now and however large', async () => {
    const [boat, lamp, bell] = [picture(3), picture(11), picture(29)];
    const old = await editionOf(
      writtenPages([
        { content: boat(100, 500, 200), lines: [{ x: 72, y: 760, text: 'Of boats and their crews' }] },
        { content: lamp(80, 300, 160), lines: [{ x: 72, y: 760, text: 'Of lamps and their keepers' }] },
        { content: bell(80, 300, 160), lines: [{ x: 72, y: 760, text: 'Of bells' }] },
      ]),
    );
    const on = (number: number): LinkArea => {
      const { x, y, width, height } = old.texts[number - 1]!.pictures[0]!;
      // The right half of the picture.
      return {
        id: `area-${number}`,
        x: x + width / 2,
        y,
        width: width / 2,
        height,
        name: `Picture ${number}`,
        hoverNote: '',
        frame: null,
        destination: { kind: 'web', href: `https://lamp.example/${number}` },
      };
    };
    const transform = new Transform(old.doc);
    for (const { at, attrs } of pagesOf(old.doc)) setAreas(transform, at, [on(attrs.number)]);
    // The lamp comes first, smaller; the boat is there twice; the bell is gone.
    const fresh = await editionOf(
      writtenPages([
        { content: lamp(300, 600, 100), lines: [{ x: 72, y: 760, text: 'Other words altogether' }] },
        { content: `${boat(60, 400, 150)} ${boat(300, 200, 150)}` },
      ]),
    );
    const plan = planPages({ doc: transform.doc, texts: old.texts }, fresh);
    expect(plan.items.map(({ about, fate }) => [about, fate])).toEqual([
      ['Picture 1', 'look'],
      ['Picture 2', 'sure'],
      ['Picture 3', 'gone'],
    ]);
    const goes = plan.goes.get(plan.items[1]!);
    if (goes?.kind !== 'link') throw new Error('it goes nowhere');
    const { x, y, width, height } = goes.area;
    expect(goes.page).toBe(1);
    const points = [x * 595, (1 - y - height) * 842, width * 595, height * 842];
    [350, 600, 50, 100].forEach((side, at) => expect(points[at]).toBeCloseTo(side, 0));
  });

  test('has the spots that the author named and the entries of the outline that the author made', async () => {
    const { text } = paragraphs(30);
    const first = await editionOf(set(text, 10, 90, 40));
    const fresh = await editionOf(set(['A word before all', ...text], 12, 70, 34));
    const transform = new Transform(first.doc);
    const [, second] = pagesOf(first.doc);
    const line = boxAround(first.texts[1]!.lines[4]!);
    setSpots(transform, second!.at, [
      { id: 'spot-of-mine', name: 'The old lamp', x: 0.1, y: line.y, zoom: null },
    ]);
    const entry = { id: 'entry-of-mine', level: 1, page: second!.attrs.id, y: line.y, from: null };
    transform.insert(transform.doc.content.size, schema.node('entry', entry, schema.text('Of lamps')));
    const plan = planPages({ doc: transform.doc, texts: first.texts }, fresh);
    expect(plan.items.map(({ kind, about, fate }) => [kind, about, fate])).toEqual([
      ['spot', 'The old lamp', 'sure'],
      ['entry', 'Of lamps', 'sure'],
    ]);
    const { doc } = carryPages(
      fresh.doc,
      plan,
      () => true,
      () => 'minted',
    );
    expect(faultInChapter(doc.toJSON())).toBeNull();
    const [made] = entriesOf(doc);
    const page = pagesOf(doc).find(({ attrs }) => attrs.spots.length > 0)!;
    expect(made).toMatchObject({ title: 'Of lamps', attrs: { page: page.attrs.id, level: 1 } });
    const there = fresh.texts[page.attrs.number - 1]!.lines.find(
      (one) => Math.abs(boxAround(one).y - page.attrs.spots[0]!.y) < 0.001,
    );
    const words = wordsOfLine(first.texts[1]!.lines[4]!).split(' ').slice(0, 3).join(' ');
    expect(wordsOfLine(there!)).toContain(words);
    // Once more: they are there.
    const again = planPages({ doc: transform.doc, texts: first.texts }, { ...fresh, doc });
    expect(again.items.map(({ fate }) => fate)).toEqual(['there', 'there']);
  });
});

/** A picture of 9 by 8 tones by chance, the same for the same seed, as it is drawn somewhere. */
function picture(seed: number) {
  let state = seed;
  const tones = Array.from({ length: 72 }, () => {
    state = (state * 1103515245 + 12345) % 2147483648;
    return (state % 256).toString(16).padStart(2, '0');
  });
  return (x: number, y: number, side: number) =>
    `q ${side} 0 0 ${side} ${x} ${y} cm BI /W 9 /H 8 /CS /G /BPC 8 /F /AHx ID ${tones.join('')}> EI Q`;
}
