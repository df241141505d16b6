import type { Node } from 'prosemirror-model';
import { attrsOf, withinPicture, type Box } from '../manuscript/index.js';
import type { AuditContext } from './finding.js';

/** How large a part of a picture is in a form, in CSS px, and the box in which it would be large enough. */
export interface AreaSize {
  form: string;
  width: number;
  height: number;
  /** Of the whole picture. */
  shown: number;
  tall: number;
  enough: Box;
}

/** The width of the text in each form, in CSS px: what the typesetter and the style sheets give it. */
const TEXT_WIDTH = { PDF: (111 / 25.4) * 96, 'e-book': 360, 'web page': 616 } as const;
/** The height of a picture in a PDF at most, in CSS px. */
const TALLEST = (150 / 25.4) * 96;
/** WCAG 2.5.8. */
const LEAST = 24;

/**
 * The size of an area of a figure or a page in each form: a page as large as it is, a picture as wide as the picture's own pixels are, or as its share of the text, never wider
 * than the text. An e-book is read on a telephone, too. Empty where the picture's size is not known.
 */
export function areaSizes(area: Box, figure: Node, { files }: AuditContext): AreaSize[] {
  if (figure.type.name === 'page') {
    const { width, height } = attrsOf.page(figure);
    return [sizeIn('PDF', area, (width * 96) / 72, (height * 96) / 72)];
  }
  const { enclosure, width } = attrsOf.figure(figure);
  const pixels = files.get(enclosure)?.pixels;
  if (!pixels || pixels.width === 0 || pixels.height === 0) return [];
  const ratio = pixels.width / pixels.height;
  return Object.entries(TEXT_WIDTH).map(([form, text]) => {
    const wanted = width === null ? pixels.width : (text * width) / 100;
    const shown = Math.min(text, wanted, form === 'PDF' ? TALLEST * ratio : Infinity);
    return sizeIn(form, area, shown, shown / ratio);
  });
}

/** @param shown width of the whole picture or page in a form, and `tall` its height, in CSS px */
function sizeIn(form: string, area: Box, shown: number, tall: number): AreaSize {
  const [wide, high] = [Math.max(area.width, LEAST / shown), Math.max(area.height, LEAST / tall)];
  return {
    form,
    width: area.width * shown,
    height: area.height * tall,
    shown,
    tall,
    enough: withinPicture({
      x: area.x - (wide - area.width) / 2,
      y: area.y - (high - area.height) / 2,
      width: wide,
      height: high,
    }),
  };
}
