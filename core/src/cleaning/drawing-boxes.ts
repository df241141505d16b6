import { SVGPathData } from 'svg-pathdata';
import {
  compose,
  fromDefinition,
  fromTransformAttribute,
  translate,
  type Matrix,
} from 'transformation-matrix';
import { partsById, partsOf, partUsedBy, wordsIn, type Part } from './xml-tree.js';

/** Corners of a rectangle. */
export interface Corners {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** Parts that are drawn only where something else names them. */
const NOT_DRAWN = new Set([
  'defs',
  'symbol',
  'marker',
  'pattern',
  'clipPath',
  'mask',
  'filter',
  'linearGradient',
  'radialGradient',
]);
/** What one unit is in CSS px (CSS Values 4, 6.2). */
const UNITS: Record<string, number> = {
  px: 1,
  pt: 4 / 3,
  pc: 16,
  mm: 96 / 25.4,
  cm: 96 / 2.54,
  in: 96,
  em: 16,
  ex: 8,
};

/**
 * Where parts of a drawing are seen, in shares of the drawing: 0 to 1 from its upper left corner, by the geometry of what stands in them
 * (SVG 2, 8.10: the bounding box, without strokes). Words are measured by common practice: 0.6 of their size wide each. A part has no box when it
 * is not drawn, or where it is can't be told.
 */
export function boxesIn(root: Part, wanted: ReadonlySet<Part>): ReadonlyMap<Part, Corners> {
  const frame = viewportOf(root);
  const boxes = new Map<Part, Corners>();
  if (!frame || wanted.size === 0) return boxes;
  const drawing: Drawing = { ids: partsById(root), width: frame.width, height: frame.height };
  for (const [part, above] of partsOf(root)) {
    if (
      !wanted.has(part) ||
      above.some(({ name }, level) => NOT_DRAWN.has(name) || (level > 0 && name === 'svg'))
    )
      continue;
    const matrix = compose(frame.matrix, ...above.slice(1).map(matrixOf));
    const box = boundsOf(part, matrix, drawing, fontSizeOf(above));
    if (box) boxes.set(part, inShares(box, frame.shown));
  }
  return boxes;
}

const inShares = (
  { left, top, right, bottom }: Corners,
  { width, height }: { width: number; height: number },
): Corners => ({
  left: left / width,
  top: top / height,
  right: right / width,
  bottom: bottom / height,
});

interface Drawing {
  ids: ReadonlyMap<string, Part>;
  /** Of the view box: what percentages are of. */
  width: number;
  height: number;
}

/** The size that a drawing has by itself, in CSS px, and how its units are laid upon it (SVG 2, 8.2). */
export function viewportOf(
  root: Part,
): { shown: { width: number; height: number }; width: number; height: number; matrix: Matrix } | null {
  const { attributes } = root;
  const box = (attributes.viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const [x = 0, y = 0, boxWidth = 0, boxHeight = 0] =
    box.length === 4 && box.every(Number.isFinite) ? box : [];
  const hasBox = boxWidth > 0 && boxHeight > 0;
  const width =
    sideOf(attributes.width) ?? (hasBox ? scaled(boxWidth, sideOf(attributes.height), boxHeight) : null);
  const height = sideOf(attributes.height) ?? (hasBox && width ? scaled(boxHeight, width, boxWidth) : null);
  if (!width || !height) return null;
  const shown = { width, height };
  if (!hasBox) return { shown, ...shown, matrix: translate(0, 0) };
  const [align = '', slice = ''] = (attributes.preserveAspectRatio ?? '').trim().split(/\s+/);
  const [across, down] = [width / boxWidth, height / boxHeight];
  const both = slice === 'slice' ? Math.max(across, down) : Math.min(across, down);
  const [a, d] = align === 'none' ? [across, down] : [both, both];
  const share = (letter: string) =>
    new RegExp(`${letter}(Min|Max)`).exec(align)?.[1] === 'Min'
      ? 0
      : align.includes(`${letter}Max`)
        ? 1
        : 0.5;
  const left = (width - boxWidth * a) * (align === 'none' ? 0 : share('x'));
  const top = (height - boxHeight * d) * (align === 'none' ? 0 : share('Y'));
  return {
    shown,
    width: boxWidth,
    height: boxHeight,
    matrix: { a, b: 0, c: 0, d, e: left - x * a, f: top - y * d },
  };
}

const scaled = (side: number, other: number | null, ofSide: number) =>
  other === null ? side : (side * other) / ofSide;

/** A width or height of a drawing in CSS px; `null` where it depends on what is around. */
function sideOf(value: string | undefined): number | null {
  const length = lengthOf(value, NaN);
  return Number.isFinite(length) && length > 0 ? length : null;
}

function lengthOf(value: string | undefined, whole: number): number {
  const [, number, unit = ''] =
    /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*([a-z%]*)\s*$/i.exec(value ?? '') ?? [];
  if (number === undefined) return NaN;
  if (unit === '%') return (Number(number) / 100) * whole;
  return Number(number) * (unit === '' ? 1 : (UNITS[unit.toLowerCase()] ?? NaN));
}

function matrixOf({ attributes: { transform } }: Part): Matrix {
  try {
    return transform ? compose(fromDefinition(fromTransformAttribute(transform))) : translate(0, 0);
  } catch {
    return translate(0, 0); // what can't be read as a transform is none
  }
}

function fontSizeOf(above: readonly Part[]): number {
  return above.reduce((size, { attributes }) => {
    const told =
      attributes['font-size'] ?? /(?:^|;)\s*font-size\s*:\s*([^;]+)/.exec(attributes.style ?? '')?.[1];
    const length = lengthOf(told, size);
    return Number.isFinite(length) ? length : size;
  }, 16);
}

function boundsOf(part: Part, outer: Matrix, drawing: Drawing, outerSize: number): Corners | null {
  if (NOT_DRAWN.has(part.name) || part.attributes.display === 'none') return null;
  const matrix = compose(outer, matrixOf(part));
  const size = fontSizeOf([{ ...part, attributes: { 'font-size': String(outerSize) } }, part]);
  const inner = part.children.flatMap((child): Corners[] => {
    if (typeof child === 'string') return [];
    const box = boundsOf(child, matrix, drawing, size);
    return box ? [box] : [];
  });
  const own =
    part.name === 'use' ? usedBy(part, matrix, drawing, size) : ownBounds(part, matrix, drawing, size);
  return joined(own ? [own, ...inner] : inner);
}

function usedBy(part: Part, matrix: Matrix, drawing: Drawing, size: number): Corners | null {
  const target = partUsedBy(part, drawing.ids);
  if (!target || target.name === 'symbol' || target.name === 'svg') return null;
  const [x, y] = [
    lengthOf(part.attributes.x ?? '0', drawing.width),
    lengthOf(part.attributes.y ?? '0', drawing.height),
  ];
  return boundsOf(target, compose(matrix, translate(x, y)), drawing, size);
}

function ownBounds(part: Part, matrix: Matrix, { width, height }: Drawing, size: number): Corners | null {
  const of = (name: string, whole: number, otherwise = '0') =>
    lengthOf(part.attributes[name] ?? otherwise, whole);
  const [x, y] = [of('x', width), of('y', height)];
  switch (part.name) {
    case 'rect':
    case 'image':
      return pathBounds(rectangle(x, y, of('width', width), of('height', height)), matrix);
    case 'circle':
      return pathBounds(oval(of('cx', width), of('cy', height), of('r', width), of('r', width)), matrix);
    case 'ellipse':
      return pathBounds(oval(of('cx', width), of('cy', height), of('rx', width), of('ry', height)), matrix);
    case 'line':
      return pathBounds(
        `M${of('x1', width)} ${of('y1', height)}L${of('x2', width)} ${of('y2', height)}`,
        matrix,
      );
    case 'polyline':
    case 'polygon':
      return pathBounds(`M${part.attributes.points ?? ''}`, matrix);
    case 'path':
      return pathBounds(part.attributes.d ?? '', matrix);
    case 'text':
      return textBounds(part, x, y, matrix, size);
    default:
      return null;
  }
}

const rectangle = (x: number, y: number, width: number, height: number) =>
  width > 0 && height > 0 ? `M${x} ${y}h${width}v${height}h${-width}z` : '';
const oval = (x: number, y: number, across: number, down: number) =>
  across > 0 && down > 0
    ? `M${x - across} ${y}a${across} ${down} 0 1 0 ${2 * across} 0a${across} ${down} 0 1 0 ${-2 * across} 0`
    : '';

function textBounds(part: Part, x: number, y: number, matrix: Matrix, size: number): Corners | null {
  const words = wordsIn(part).replace(/\s+/g, ' ').trim();
  const wide = [...words].length * size * 0.6;
  const anchor =
    part.attributes['text-anchor'] ?? /text-anchor\s*:\s*(\w+)/.exec(part.attributes.style ?? '')?.[1];
  const left = anchor === 'middle' ? x - wide / 2 : anchor === 'end' ? x - wide : x;
  return pathBounds(rectangle(left, y - size * 0.8, wide, size), matrix);
}

function pathBounds(path: string, { a, b, c, d, e, f }: Matrix): Corners | null {
  try {
    const { minX, minY, maxX, maxY } = new SVGPathData(path)
      .toAbs()
      .normalizeHVZ()
      .matrix(a, b, c, d, e, f)
      .getBounds();
    const corners = { left: minX, top: minY, right: maxX, bottom: maxY };
    return Object.values(corners).every(Number.isFinite) ? corners : null;
  } catch {
    return null; // what can't be read as a path is not drawn
  }
}

function joined(boxes: Corners[]): Corners | null {
  if (boxes.length === 0) return null;
  return {
    left: Math.min(...boxes.map(({ left }) => left)),
    top: Math.min(...boxes.map(({ top }) => top)),
    right: Math.max(...boxes.map(({ right }) => right)),
    bottom: Math.max(...boxes.map(({ bottom }) => bottom)),
  };
}
