export const UNDERLINES = ['solid', 'dotted', 'none'] as const;
export const WEIGHTS = ['regular', 'strong'] as const;
export const FRAME_LINES = ['solid', 'dashed', 'dotted'] as const;
/** On a page, a line below the words too. */
export const PAGE_LINES = [...FRAME_LINES, 'under'] as const;

/** The colours of links on a light and on a dark page, as `#rrggbb`. */
export interface LinkColours {
  light: string;
  dark: string;
}

/** How links look. */
export interface LinkLook extends LinkColours {
  underline: (typeof UNDERLINES)[number];
  weight: (typeof WEIGHTS)[number];
  /** Of links that a reader has followed; without, they look as before. Only the look of the whole book has it. */
  visited?: LinkColours;
}

export const DEFAULT_LOOK: LinkLook = {
  light: '#0b5a6b',
  dark: '#8fd3e0',
  underline: 'solid',
  weight: 'regular',
};

/** Colours for links that were followed: readable on both pages, and far from those of `DEFAULT_LOOK`. */
export const DEFAULT_VISITED: LinkColours = { light: '#7a4517', dark: '#e6bd92' };

/** The underline of a look as CSS `text-decoration`. */
export const underlineOf = ({ underline }: LinkLook): string =>
  underline === 'none' ? 'none' : `underline ${underline}`;

/** A look of its own as CSS, for a page that has `--link-light` and `--link-dark`. */
export const lookStyle = (look: LinkLook): string =>
  `--link-light: ${look.light}; --link-dark: ${look.dark}; text-decoration: ${underlineOf(look)}; font-weight: ${look.weight === 'strong' ? 650 : 'inherit'}`;

/** The frame of a link area, as readers see it: `width` in points (CSS `pt`). */
export interface AreaFrame {
  line: (typeof PAGE_LINES)[number];
  width: number;
  colour: string;
}

export const DEFAULT_FRAME: AreaFrame = { line: 'solid', width: 1, colour: '#0b5a6b' };
/** The thickest frame, in points. */
export const THICKEST_FRAME = 8;

type Json = Record<string, unknown>;

const COLOUR = /^#[0-9a-f]{6}$/i;
export const isColour = (value: unknown): value is string => typeof value === 'string' && COLOUR.test(value);

function areColours(value: unknown): boolean {
  if (typeof value !== 'object' || value === null) return false;
  const { light, dark, ...more } = value as Json;
  return isColour(light) && isColour(dark) && Object.keys(more).length === 0;
}

const among = (list: readonly string[], value: unknown): boolean => list.includes(String(value));

/** Says what is wrong with a value that should be a link look, or `null` when it is one. */
export function faultInLook(value: unknown): string | null {
  if (typeof value !== 'object' || value === null) return 'a look must be an object';
  const { light, dark, underline, weight, visited, ...more } = value as Json;
  if (!isColour(light) || !isColour(dark)) return 'colours are written as #rrggbb';
  if (visited !== undefined && !areColours(visited)) return 'colours are written as #rrggbb';
  if (!among(UNDERLINES, underline)) return `underline is ${UNDERLINES.join(', ')}`;
  if (!among(WEIGHTS, weight)) return `weight is ${WEIGHTS.join(', ')}`;
  return Object.keys(more).length === 0 ? null : `unknown part of a look: ${Object.keys(more)[0]}`;
}

/** Says what is wrong with a value that should be a frame, or `null` when it is one. */
export function faultInFrame(value: unknown): string | null {
  if (typeof value !== 'object' || value === null) return 'a frame must be an object';
  const { line, width, colour } = value as Json;
  if (!among(PAGE_LINES, line)) return `the line of a frame is ${PAGE_LINES.join(', ')}`;
  if (typeof width !== 'number' || !(width > 0 && width <= THICKEST_FRAME))
    return `a frame is wider than 0 and at most ${THICKEST_FRAME} points wide`;
  return isColour(colour) ? null : 'colours are written as #rrggbb';
}
