import type { LinkLook } from '../manuscript/index.js';

/** The pages that links are read on: the colour of the page and that of the words around. */
export const PAGES = {
  light: { page: '#ffffff', words: '#1a1a1a' },
  dark: { page: '#121212', words: '#e8e6e1' },
} as const;

/** Relative luminance, 0 to 1 (WCAG 2.2, definition, from sRGB in IEC 61966-2-1). `colour` is `#rrggbb`. */
function luminance(colour: string): number {
  const linear = (at: number): number => {
    const value = Number.parseInt(colour.slice(at, at + 2), 16) / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * linear(1) + 0.7152 * linear(3) + 0.0722 * linear(5);
}

/** The contrast ratio of two colours, 1 to 21 (WCAG 2.2, definition of contrast ratio). */
export function contrast(one: string, other: string): number {
  const [a, b] = [luminance(one), luminance(other)];
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}

/** The figures of a look on one page, and whether they are enough. */
export interface LookContrast {
  page: keyof typeof PAGES;
  /** Against the page: WCAG 1.4.3 asks for 4.5. */
  againstPage: number;
  readable: boolean;
  /** Against the words around: WCAG 1.4.1 (G183) asks for 3 where nothing but colour tells a link. */
  againstWords: number;
  /** An underline or its weight tells the link, or its colour stands out. */
  told: boolean;
}

/** The figures of links that were followed; none where they look as before. */
export const contrastsOfVisited = (look: LinkLook): LookContrast[] =>
  look.visited ? contrastsOf({ ...look, ...look.visited }) : [];

export function contrastsOf(look: LinkLook): LookContrast[] {
  return (['light', 'dark'] as const).map((page) => {
    const againstPage = contrast(look[page], PAGES[page].page);
    const againstWords = contrast(look[page], PAGES[page].words);
    return {
      page,
      againstPage,
      againstWords,
      readable: againstPage >= 4.5,
      told: look.underline !== 'none' || look.weight === 'strong' || againstWords >= 3,
    };
  });
}
