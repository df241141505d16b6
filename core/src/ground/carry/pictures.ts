import { overlapOf, sharedBy, type Box } from '../../manuscript/index.js';
import type { PageText, Picture } from '../page-text.js';

/** Of 64 steps of a look so many may differ where it is the same picture, packed or sized anew; by chance half of them do. Common practice (no source). */
const SAME = 10;
/** How much the sides of the same picture may differ in proportion. */
const SHAPE = 0.12;
/** So much of an area lies on a picture when it belongs to it. */
const ON = 0.6;

interface Known {
  picture: Picture;
  /** Of the page, from 1. */
  page: number;
}

/** The pictures of an edition, found by what they look like. */
export class Pictures {
  readonly #known: Known[];

  constructor(texts: readonly PageText[]) {
    this.#known = texts.flatMap(({ pictures }, index) =>
      pictures.flatMap((picture) => (picture.look === undefined ? [] : [{ picture, page: index + 1 }])),
    );
  }

  /**
   * The picture on which an area lies, as it is in this edition.
   *
   * @param near the page where it is looked for first, if any: of several that look the same, one there is meant
   */
  match(
    area: Box,
    pictures: readonly Picture[],
    near: number | null,
  ): { from: Picture; to: Picture; page: number; isAlone: boolean } | null {
    const from = pictures
      .filter(
        (picture) => picture.look !== undefined && sharedBy(area, picture) >= area.width * area.height * ON,
      )
      // The smallest of those that lie over one another.
      .reduce<Picture | null>(
        (one, other) => (one && one.width * one.height <= other.width * other.height ? one : other),
        null,
      );
    if (!from) return null;
    const same = this.#known.filter(({ picture }) => isSame(from, picture));
    const [only] = same;
    if (!only) return null;
    if (same.length === 1) return { from, to: only.picture, page: only.page, isAlone: true };
    const here = same.filter(({ page }) => page === near);
    const nearest = (here.length > 0 ? here : same).reduce((one, other) =>
      overlapOf(from, other.picture) > overlapOf(from, one.picture) ? other : one,
    );
    return { from, to: nearest.picture, page: nearest.page, isAlone: here.length === 1 };
  }
}

function isSame(one: Picture, other: Picture): boolean {
  const [a = '', b = ''] = [one.look, other.look];
  if (a === b) return true;
  if (a.length !== 16 || b.length !== 16) return false;
  const proportion = one.width / one.height / (other.width / other.height);
  return Math.abs(Math.log(proportion)) <= SHAPE && stepsBetween(a, b) <= SAME;
}

/** How many steps of two looks differ. */
function stepsBetween(one: string, other: string): number {
  let count = 0;
  for (let at = 0; at < 16; at += 8) {
    let bits = Number.parseInt(one.slice(at, at + 8), 16) ^ Number.parseInt(other.slice(at, at + 8), 16);
    for (; bits !== 0; bits &= bits - 1) count++;
  }
  return count;
}
