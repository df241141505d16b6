export const UNDERLINES = ['solid', 'dotted', 'none'] as const;
export const WEIGHTS = ['regular', 'strong'] as const;
export const FRAME_LINES = ['solid', 'dashed', 'dotted'] as const;

/** How links look. Colours are `#rrggbb`. */
export interface LinkLook {
  light: string;
  dark: string;
  underline: (typeof UNDERLINES)[number];
  weight: (typeof WEIGHTS)[number];
}

export const DEFAULT_LOOK: LinkLook = {
  light: '#0b5a6b',
  dark: '#8fd3e0',
  underline: 'solid',
  weight: 'regular',
};

/** The underline of a look as CSS `text-decoration`. */
export const underlineOf = ({ underline }: LinkLook): string =>
  underline === 'none' ? 'none' : `underline ${underline}`;

/** The frame of a link area, as readers see it: `width` in points (CSS `pt`). */
export interface AreaFrame {
  line: (typeof FRAME_LINES)[number];
  width: number;
  colour: string;
}

export const DEFAULT_FRAME: AreaFrame = { line: 'solid', width: 1, colour: '#0b5a6b' };
/** The thickest frame, in points. */
export const THICKEST_FRAME = 8;

const COLOUR = /^#[0-9a-f]{6}$/i;
export const isColour = (value: unknown): value is string => typeof value === 'string' && COLOUR.test(value);

const among = (list: readonly string[], value: unknown): boolean => list.includes(String(value));

type Json = Record<string, unknown>;

/** Says what is wrong with a value that should be a link look, or `null` when it is one. */
export function faultInLook(value: unknown): string | null {
  if (typeof value !== 'object' || value === null) return 'a look must be an object';
  const { light, dark, underline, weight, ...more } = value as Json;
  if (!isColour(light) || !isColour(dark)) return 'colours are written as #rrggbb';
  if (!among(UNDERLINES, underline)) return `underline is ${UNDERLINES.join(', ')}`;
  if (!among(WEIGHTS, weight)) return `weight is ${WEIGHTS.join(', ')}`;
  return Object.keys(more).length === 0 ? null : `unknown part of a look: ${Object.keys(more)[0]}`;
}

/** Says what is wrong with a value that should be a frame, or `null` when it is one. */
export function faultInFrame(value: unknown): string | null {
  if (typeof value !== 'object' || value === null) return 'a frame must be an object';
  const { line, width, colour } = value as Json;
  if (!among(FRAME_LINES, line)) return `the line of a frame is ${FRAME_LINES.join(', ')}`;
  if (typeof width !== 'number' || !(width > 0 && width <= THICKEST_FRAME))
    return `a frame is wider than 0 and at most ${THICKEST_FRAME} points wide`;
  return isColour(colour) ? null : 'colours are written as #rrggbb';
}
