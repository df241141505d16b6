import { converter, formatHex, parse } from 'culori';

const toRgb = converter('rgb');

/** Where a drawing (SVG) says a colour: an attribute, or a property of a style. */
const SAID = /\b(fill|stroke|color|stop-color|flood-color|lighting-color)(\s*=\s*["']|\s*:\s*)([^"';}<>]+)/gi;

/** A colour as it is seen without its hue (ITU-R BT.709); what is none, as `none` or a reference, stays. */
function greyOf(words: string): string {
  const colour = toRgb(parse(words.trim()));
  if (!colour) return words;
  const { r, g, b, alpha } = colour;
  const light = 0.2126 * r + 0.7152 * g + 0.0722 * b;
  const hex = formatHex({ mode: 'rgb', r: light, g: light, b: light });
  return alpha === undefined || alpha === 1
    ? hex
    : `${hex}${Math.round(alpha * 255)
        .toString(16)
        .padStart(2, '0')}`;
}

/** A drawing without hues. Pictures within it keep theirs. */
export const greyDrawing = (svg: string): string =>
  svg.replace(SAID, (_, name: string, between: string, words: string) => `${name}${between}${greyOf(words)}`);
