import { DEFAULT_PDF, pageSize, type PdfChoices } from '../choices.js';

/** How a table is set so that it lies within the page: all widths in points. */
export interface TableFit {
  /** Shares of the width, a column each. */
  shares: number[];
  /** Of its text. */
  size: number;
  /** At each side of a cell. */
  inset: number;
  /** It stands on pages of its own, turned by a quarter. */
  turned: boolean;
  /** What a column has for its words. */
  widths: number[];
}

/** What stands in a column: its longest word, and its longest cell, in signs. */
export interface ColumnNeed {
  word: number;
  cell: number;
}

/** What the text of a page has, in points: its width, that of a page turned by a quarter, and the size of its type in shares of the usual one. */
export interface Sheet {
  width: number;
  turned: number;
  scale: number;
}

/** Points in a millimetre. */
const POINTS = 72 / 25.4;

/** What the text has of the pages that choices ask for. */
export function sheetOf(choices: PdfChoices): Sheet {
  const { width, height } = pageSize(choices);
  const { inner, outer, size } = choices;
  const beside = inner + outer;
  return {
    width: Math.floor((width - beside) * POINTS),
    turned: Math.floor((height - beside) * POINTS),
    scale: size / DEFAULT_PDF.size,
  };
}

/** How wide a sign is on average, as a share of its size. */
export const SIGN = 0.55;
const SIZES = [9.5, 8.5, 7.5, 6.5];
/** Words longer than this are broken rather than that the whole table becomes small for them. */
const LONGEST = 24;

/**
 * The fit of a table in a width: its text shrinks, then it is turned where it may be, then its words are broken.
 *
 * @param upright in points
 */
export function fitOf(
  needs: readonly ColumnNeed[],
  upright: number,
  mayTurn: boolean,
  { turned: turnedWidth, scale }: Sheet,
): TableFit {
  const words = needs.map(({ word }) => Math.min(LONGEST, Math.max(2, word)));
  const weights = needs.map(({ cell }, column) => Math.max(words[column] ?? 2, 3 * Math.sqrt(cell)));
  const all = sum(weights);
  const fit = (turned: boolean, size: number): TableFit => {
    const width = turned ? turnedWidth : upright;
    const inset = Math.min(5.7, width / needs.length / 8);
    const widths = weights.map((weight) => Math.max(SIGN * size, width * (weight / all) - 2 * inset));
    return {
      shares: weights.map((weight) => Math.round((1_000 * weight) / all)),
      size,
      inset,
      turned,
      widths,
    };
  };
  const fits = ({ widths, size }: TableFit) =>
    widths.every((room, column) => room >= (words[column] ?? 2) * SIGN * size);
  const tries = [false, ...(mayTurn ? [true] : [])].flatMap((turned) =>
    SIZES.map((size) => fit(turned, size * scale)),
  );
  return tries.find(fits) ?? fit(mayTurn, 6.5 * scale);
}

const sum = (numbers: readonly number[]): number => numbers.reduce((total, one) => total + one, 0);
