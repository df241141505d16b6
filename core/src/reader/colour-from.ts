import { formatHex, parse } from 'culori';

/** A colour as `#rrggbb`, given as CSS writes one: by its name, `#abc`, `rgb(…)` (CSS Color 4); `null` for what is none, or can be seen through. */
export function colourFrom(words: string): string | null {
  const colour = parse(words.trim().toLowerCase());
  return colour && (colour.alpha ?? 1) === 1 ? formatHex(colour) : null;
}
