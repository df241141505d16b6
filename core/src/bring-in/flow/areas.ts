import { isTag, type Element } from 'domhandler';
import { findOne, textContent } from 'domutils';
import { nameFrom } from './link-says.js';
import type { DrawingLink } from '../../cleaning/index.js';
import { boxBetween, THICKEST_FRAME, type AreaFrame, type Box } from '../../manuscript/index.js';

/** A part of a picture that leads somewhere, as a file has it: its box in shares of the picture. */
export interface AreaDraft {
  /** The element that is the area and nothing else; `null` where there is none in the text. */
  element: Element | null;
  href: string;
  name: string;
  hoverNote: string;
  box: Box;
  frame: AreaFrame | null;
  /** A part of it lay outside of the picture. */
  isCut?: boolean;
  /** It was no rectangle. */
  reshaped: boolean;
}

/**
 * The areas of an image map (HTML, 4.8.13): `coords` in CSS px of the picture as it is shown. Circles and polygons
 * become the rectangles around them. `natural` is the size of the picture's own pixels.
 */
export function mapAreas(image: Element, natural: { width: number; height: number } | null): AreaDraft[] {
  const name = image.attribs.usemap?.replace(/^#/, '');
  const map = name ? findOne((one) => isMap(one, name), rootOf(image).children, true) : null;
  if (!map) return [];
  const width = Number.parseFloat(image.attribs.width ?? '') || natural?.width || 0;
  const height = Number.parseFloat(image.attribs.height ?? '') || natural?.height || 0;
  if (width <= 0 || height <= 0) return [];
  return map.children.flatMap((element): AreaDraft[] => {
    if (!isTag(element) || element.name !== 'area' || element.attribs.href === undefined) return [];
    const shape = element.attribs.shape?.toLowerCase() ?? 'rect';
    const corners = cornersOf(shape, (element.attribs.coords ?? '').split(/[\s,]+/).map(Number.parseFloat));
    if (!corners) return [];
    const [left, top, right, bottom] = corners;
    const box = withinCorners({ x: left / width, y: top / height }, { x: right / width, y: bottom / height });
    const isCut =
      left < -1 ||
      top < -1 ||
      (right > width + 1 && right !== Infinity) ||
      (bottom > height + 1 && bottom !== Infinity);
    return [
      { ...linkOf(element), box, frame: null, isCut, reshaped: shape !== 'rect' && shape !== 'default' },
    ];
  });
}

/** The box between two corners, cut off at the edges of the picture. */
function withinCorners(a: { x: number; y: number }, b: { x: number; y: number }): Box {
  const within = (share: number) => Math.min(1, Math.max(0, share));
  return boxBetween({ x: within(a.x), y: within(a.y) }, { x: within(b.x), y: within(b.y) });
}

function linkOf(element: Element): Pick<AreaDraft, 'element' | 'href' | 'name' | 'hoverNote'> {
  const { href = '', alt, title } = element.attribs;
  const name = nameFrom(element) || (alt ?? textContent(element)).replace(/\s+/g, ' ').trim();
  return { element, href, name, hoverNote: title?.trim() ?? '' };
}

const isMap = (element: Element, name: string) =>
  element.name === 'map' && (element.attribs.name === name || element.attribs.id === name);

function rootOf(element: Element) {
  let root: Element = element;
  for (let parent = root.parent; parent; parent = parent.parent) root = parent as Element;
  return root;
}

function cornersOf(shape: string, numbers: number[]): [number, number, number, number] | null {
  if (shape === 'default') return [0, 0, Infinity, Infinity];
  if (numbers.some(Number.isNaN)) return null;
  if (shape.startsWith('rect') && numbers.length >= 4)
    return numbers.slice(0, 4) as [number, number, number, number];
  const [x, y, radius] = numbers;
  if (shape.startsWith('circ') && x !== undefined && y !== undefined && radius !== undefined)
    return [x - radius, y - radius, x + radius, y + radius];
  const across = numbers.filter((_number, index) => index % 2 === 0);
  const down = numbers.filter((_number, index) => index % 2 === 1);
  if (across.length < 3 || down.length < 3) return null;
  return [Math.min(...across), Math.min(...down), Math.max(...across), Math.max(...down)];
}

const FRAME = /border\s*:\s*([\d.]+)pt\s+(solid|dashed|dotted)\s+(#[0-9a-f]{6})/i;

function frameIn(style: string): AreaFrame | null {
  const [, width, line, colour] = FRAME.exec(style) ?? [];
  if (!width || !line || !colour) return null;
  return {
    line: line.toLowerCase() as AreaFrame['line'],
    width: Math.min(THICKEST_FRAME, Number(width) || 1),
    colour: colour.toLowerCase(),
  };
}

/** A property that is given in percent, as a share; `NaN` where it is none. */
function shareIn(style: string, property: string): number {
  const percent = new RegExp(`(?:^|[;\\s])${property}\\s*:\\s*([\\d.]+)%`, 'i').exec(style)?.[1];
  return Number.parseFloat(percent ?? 'NaN') / 100;
}

/** Links that lie over a picture by percentages of it, next to the picture in one element. */
export function layeredAreas(image: Element): AreaDraft[] {
  const inner = image.parent && isTag(image.parent) && image.parent.name === 'a' ? image.parent : image;
  const around = inner.parent;
  if (!around || !isTag(around)) return [];
  return around.children.flatMap((element): AreaDraft[] => {
    if (!isTag(element) || element.name !== 'a' || element === inner) return [];
    const { style = '' } = element.attribs;
    const [x, y] = [shareIn(style, 'left'), shareIn(style, 'top')];
    const [width, height] = [shareIn(style, 'width'), shareIn(style, 'height')];
    if ([x, y, width, height].some(Number.isNaN)) return [];
    const box = boxBetween({ x, y }, { x: x + width, y: y + height });
    return [{ ...linkOf(element), box, frame: frameIn(style), reshaped: false }];
  });
}

/** The links that stood in a drawing; `null` in the place of one where it can't be told where it was seen. */
export function drawingAreas(links: readonly DrawingLink[]): (AreaDraft | null)[] {
  return links.map(({ href, name, box }) => {
    if (!box) return null;
    const { left, top, right, bottom } = box;
    if (left >= 1 || top >= 1 || right <= 0 || bottom <= 0) return null;
    const corners = boxBetween(
      { x: Math.max(0, left), y: Math.max(0, top) },
      { x: Math.min(1, right), y: Math.min(1, bottom) },
    );
    return { element: null, href, name, hoverNote: '', box: corners, frame: null, reshaped: false };
  });
}
