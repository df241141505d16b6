import type { Destination } from '../../destination/index.js';
import type { Box, GroundPageAttrs } from '../../manuscript/index.js';
import type { Found, Reading, Sureness } from './ought.js';

/** Arrows, as they are written by hand. */
const ARROWS = { up: '↑▲△⇧⇑⬆⏫⌃↟', back: '←◀◁⇦⇐⬅«‹⟵', on: '→▶▷⇨⇒➡➔➜»›⟶' };
const UP = new RegExp(`[${ARROWS.up}]`, 'u');
const BACK = new RegExp(`[${ARROWS.back}]`, 'u');
const ON = new RegExp(`[${ARROWS.on}]`, 'u');
const ARROWS_ALONE = new RegExp(String.raw`^[\s${ARROWS.up}${ARROWS.back}${ARROWS.on}]+$`, 'u');
/** A way that is written by hand is a short line of its own. */
const FEW_WORDS = 6;
/** A picture of this share of the page or less may be a button; on so many pages at the same spot it is likely one. */
const SMALL = 0.03;
const OFTEN = 3;

/** Ways through the book that are written or drawn by hand: “Back to contents”, arrows, small pictures at the same spot of many pages. */
export function ways(reading: Reading, contents: readonly Found[]): Found[] {
  const list = contents.find(({ kind }) => kind === 'contents');
  const contentsPage = list ? reading.pages[list.page - 1] : undefined;
  return [...written(reading, contentsPage), ...drawn(reading, contentsPage)];
}

function written(reading: Reading, contents: GroundPageAttrs | undefined): Found[] {
  return reading.pages.flatMap((page, index) =>
    (reading.lines[index] ?? []).flatMap((line, row): Found[] => {
      const way = wayOf(line.trim(), page, reading, contents);
      if (!way || way.to.id === page.id) return [];
      const from = line.search(/\S/);
      return [
        {
          kind: 'way',
          page: page.number,
          at: { line: row, from, to: line.trimEnd().length },
          words: line.trim(),
          destination: leadingTo(way.to),
          sureness: way.sureness,
          why: way.why,
        },
      ];
    }),
  );
}

const leadingTo = ({ id }: GroundPageAttrs): Destination => ({ kind: 'place', place: id });

function wayOf(
  line: string,
  page: GroundPageAttrs,
  { words, pages }: Reading,
  contents: GroundPageAttrs | undefined,
): { to: GroundPageAttrs; sureness: Sureness; why: string } | null {
  if (line === '' || line.split(/\s+/).length > FEW_WORDS) return null;
  // Some fonts choose the form of an arrow by a sign of their own behind it.
  const isAlone = ARROWS_ALONE.test(line.replace(/[\ufe0e\ufe0f]/g, ''));
  const isArrow = UP.test(line) || BACK.test(line) || ON.test(line);
  const saysBack = isArrow || words.back.test(line);
  const [first] = pages;
  const listed = contents ?? first;
  if (saysBack && words.toContents.test(line) && listed)
    return {
      to: listed,
      sureness: contents ? 'likely' : 'look',
      why: contents
        ? 'It says that it leads to the contents.'
        : 'It says that it leads to the contents, which were not found.',
    };
  if (saysBack && words.toTop.test(line) && first)
    return { to: first, sureness: 'look', why: 'It says that it leads to the beginning.' };
  if (!isArrow || !(isAlone || line.split(/\s+/).length <= 3)) return null;
  const to = UP.test(line) ? listed : pages[page.number - 1 + (ON.test(line) ? 1 : -1)];
  // Quotation marks and lists are written with such signs, too.
  if (!to || (!isAlone && /[«‹»›]/u.test(line))) return null;
  return {
    to,
    sureness: 'look',
    why: UP.test(line)
      ? 'An arrow that points up.'
      : ON.test(line)
        ? 'An arrow that points on, to the next page.'
        : 'An arrow that points back, to the page before.',
  };
}

/** Small pictures that stand at the same spot of many pages. */
function drawn({ pages, texts }: Reading, contents: GroundPageAttrs | undefined): Found[] {
  const spots = new Map<string, { box: Box; pages: number[] }>();
  texts.forEach(({ pictures }, index) => {
    for (const box of pictures) {
      if (box.width * box.height > SMALL) continue;
      const key = [box.x, box.y, box.width, box.height].map((side) => Math.round(side * 200)).join(' ');
      const spot = spots.get(key) ?? { box, pages: [] };
      if (spot.pages.at(-1) !== index + 1) spot.pages.push(index + 1);
      spots.set(key, spot);
    }
  });
  const to = contents ?? pages[0];
  if (!to) return [];
  return [...spots.values()].flatMap(({ box, pages: all }): Found[] => {
    const [page, ...also] = all.filter((number) => number !== to.number);
    if (page === undefined || all.length < OFTEN) return [];
    return [
      {
        kind: 'way',
        page,
        also,
        at: box,
        words: '',
        destination: leadingTo(to),
        sureness: 'look',
        why: `A small picture stands here on ${all.length} pages; it may be a button.`,
      },
    ];
  });
}
