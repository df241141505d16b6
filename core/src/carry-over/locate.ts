import { END, type Token } from './tokens.js';

/** How many words around a spot are looked at, on each side. */
const AROUND = 10;
/** How far words may have been put in or taken out near a spot. */
const SLACK = 5;
/** So many words of a block around a passage tell where it is. */
const ENOUGH = 8;
/** With so many of the words around, a few changed ones beside a passage raise no doubt. */
const KNOWN = 12;
/** Rows of three words that stand more often than this say nothing of a place. */
const MOST = 12;

/** Where a passage of an older text stands in a newer one: a range of words, the first and the one after the last. */
export interface Located {
  from: number;
  to: number;
  /** The words are the same, and so are those around, and there is no other such spot. */
  isSure: boolean;
  /** The words beneath are the same. */
  isSame: boolean;
}

/** Finds passages of one text in another, by their words and those around them. */
export class Locator {
  readonly #places = new Map<string, number[]>();

  constructor(
    readonly before: readonly Token[],
    readonly after: readonly Token[],
  ) {
    for (let at = 0; at + 3 <= after.length; at++) {
      const places = this.#places.get(gram(after, at));
      if (!places) this.#places.set(gram(after, at), [at]);
      else if (places.length <= MOST) places.push(at);
    }
  }

  /** @param from the first word of the passage, `to` the one after its last; the same for a spot between two words */
  find(from: number, to: number): Located | null {
    const { before, after } = this;
    const { start, end } = this.#around(from, to);
    const shift = this.#shift(start, end);
    if (!shift) return null;
    const low = Math.max(0, start + shift.by - SLACK);
    const high = Math.min(after.length, end + shift.by + SLACK);
    const partner = aligned(before.slice(start, end), after.slice(low, high));
    const at = (index: number) => {
      const found = partner[index - start];
      return found === undefined || found < 0 ? null : low + found;
    };
    const [left, right] = [near(from, -1, at, start), near(to - 1, 1, at, end - 1)];
    if (from === to) return spot(left, right, shift.isAlone);
    const inside = Array.from({ length: to - from }, (_, index) => at(from + index));
    const [first] = inside;
    const isSame =
      first !== null && first !== undefined && inside.every((one, index) => one === first + index);
    if (isSame) {
      const length = to - from;
      const isSure =
        shift.isAlone &&
        (left.beside + right.beside >= 4 ||
          (left.beside + right.beside >= 2 && left.known + right.known >= KNOWN)) &&
        touches(left, first - 1) + touches(right, first + length) >= 1;
      return { from: first, to: first + length, isSure, isSame: true };
    }
    // Words beneath were changed: the passage is what stands between its neighbours now.
    const begin = left.at === null ? null : left.at + left.away;
    const finish = right.at === null ? null : right.at - right.away + 1;
    if (begin === null || finish === null || finish <= begin || finish - begin > to - from + SLACK) {
      const known = inside.filter((one): one is number => one !== null);
      const [low1, high1] = [Math.min(...known), Math.max(...known) + 1];
      if (known.length === 0 || high1 - low1 > to - from + SLACK) return null;
      return { from: low1, to: high1, isSure: false, isSame: false };
    }
    if (after.slice(begin, finish).some(({ word }) => word === END)) return null;
    return { from: begin, to: finish, isSure: false, isSame: false };
  }

  /** The words around a passage: those of its block, and more where the block is short, since blocks are moved. */
  #around(from: number, to: number): { start: number; end: number } {
    const { before } = this;
    const wide = { start: Math.max(0, from - AROUND), end: Math.min(before.length, to + AROUND) };
    let [start, end] = [from, to];
    while (start > wide.start && before[start - 1]?.word !== END) start--;
    while (end < wide.end && before[end]?.word !== END) end++;
    // The end of a block says something too.
    start = Math.max(wide.start, start - 1);
    end = Math.min(wide.end, end + 1);
    return end - start - (to - from) >= ENOUGH ? { start, end } : wide;
  }

  /** How far the words around a passage have moved, by most of the rows of three of them. */
  #shift(start: number, end: number): { by: number; isAlone: boolean } | null {
    const votes = new Map<number, number>();
    for (let at = start; at + 3 <= end; at++)
      for (const place of this.#placesOf(gram(this.before, at)))
        votes.set(
          place - at,
          (votes.get(place - at) ?? 0) + 1 / this.#placesOf(gram(this.before, at)).length,
        );
    const sums = [...votes.keys()].map((by) => {
      let sum = 0;
      for (let near = -SLACK; near <= SLACK; near++)
        sum += (votes.get(by + near) ?? 0) * (near === 0 ? 1 : 0.9);
      return { by, sum, own: votes.get(by) ?? 0 };
    });
    sums.sort((one, other) => other.sum - one.sum || other.own - one.own);
    const [best] = sums;
    if (!best) return null;
    const other = sums.find(({ by }) => Math.abs(by - best.by) > 2 * SLACK);
    return { by: best.by, isAlone: !other || other.sum < 0.6 * best.sum };
  }

  #placesOf(words: string): readonly number[] {
    const places = this.#places.get(words) ?? [];
    return places.length > MOST ? [] : places;
  }
}

const gram = (tokens: readonly Token[], at: number): string =>
  `${tokens[at]?.word ?? ''} ${tokens[at + 1]?.word ?? ''} ${tokens[at + 2]?.word ?? ''}`;

/** The nearest word on one side of a passage that is there in the other text. */
interface Side {
  at: number | null;
  /** How many words away it stands in the older text, from 1. */
  away: number;
  /** How many of the three words beside are there, one after another. */
  beside: number;
  /** How many of all the words around are there. */
  known: number;
}

function near(from: number, direction: 1 | -1, at: (index: number) => number | null, edge: number): Side {
  const side: Side = { at: null, away: 0, beside: 0, known: 0 };
  let last: number | null = null;
  for (let step = 1; step <= AROUND; step++) {
    const index = from + step * direction;
    if (direction < 0 ? index < edge : index > edge) {
      // Where the text ends, nothing is missing.
      if (step <= 3) side.beside += 4 - step;
      side.known += AROUND - step + 1;
      break;
    }
    const found = at(index);
    if (found === null) continue;
    side.known++;
    if (side.at === null) Object.assign(side, { at: found, away: step });
    if (step <= 3 && (last === null || found === last + direction)) side.beside++;
    last = found;
  }
  return side;
}

const touches = (side: Side, at: number): number => (side.away === 1 && side.at === at ? 1 : 0);

/** A spot between two words. */
function spot(left: Side, right: Side, isAlone: boolean): Located | null {
  const at =
    left.away === 1 && left.at !== null ? left.at + 1 : right.away === 1 ? right.at : (left.at ?? NaN) + 1;
  if (at === null || Number.isNaN(at))
    return right.at === null ? null : { from: right.at, to: right.at, isSure: false, isSame: false };
  const isSame = left.away === 1 && right.away === 1 && left.at === at - 1 && right.at === at;
  return { from: at, to: at, isSure: isSame && isAlone && left.beside + right.beside >= 4, isSame };
}

/** For each word of one row its partner in the other, by their longest common row of words; -1 for none. */
function aligned(one: readonly Token[], other: readonly Token[]): number[] {
  const width = other.length + 1;
  const lengths = new Uint16Array((one.length + 1) * width);
  for (let i = one.length - 1; i >= 0; i--)
    for (let j = other.length - 1; j >= 0; j--)
      lengths[i * width + j] =
        one[i]?.word === other[j]?.word
          ? (lengths[(i + 1) * width + j + 1] ?? 0) + 1
          : Math.max(lengths[(i + 1) * width + j] ?? 0, lengths[i * width + j + 1] ?? 0);
  const partner = new Array<number>(one.length).fill(-1);
  let [i, j] = [0, 0];
  while (i < one.length && j < other.length) {
    if (
      one[i]?.word === other[j]?.word &&
      lengths[i * width + j] === (lengths[(i + 1) * width + j + 1] ?? 0) + 1
    )
      partner[i++] = j++;
    else if ((lengths[(i + 1) * width + j] ?? 0) >= (lengths[i * width + j + 1] ?? 0)) i++;
    else j++;
  }
  return partner;
}
