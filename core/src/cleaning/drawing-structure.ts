import type { Part } from './xml-tree.js';

const names = (text: string): ReadonlySet<string> => new Set(text.trim().split(/\s+/));

const SAID = ['title', 'desc'];
/** Elements that hold words, and what may stand among these (SVG 1.1, 10.4 to 10.13.2). */
const WORDED = names('text tspan textPath');
const AMONG_WORDS = names('tspan textPath title desc');
/** Elements that hold character data of other kinds. */
const DATA = names('title desc style');
/** What these hold and nothing else; elements that are not named here hold any (SVG 1.1, appendix L). */
const HOLDS: Readonly<Record<string, ReadonlySet<string>>> = {
  ...Object.fromEntries(
    'path rect circle ellipse line polyline polygon use image'
      .split(' ')
      .map((name) => [name, names(SAID.join(' '))]),
  ),
  linearGradient: names('stop title desc'),
  radialGradient: names('stop title desc'),
  clipPath: names('path rect circle ellipse line polyline polygon text use title desc'),
  stop: new Set(),
  title: new Set(),
  desc: new Set(),
  style: new Set(),
};
/** Attributes without which these are not drawn (SVG 1.1, 9.2 to 9.7, 5.6, 5.7, 13.2.4). */
const NEEDS: Readonly<Record<string, string[]>> = {
  path: ['d'],
  rect: ['width', 'height'],
  circle: ['r'],
  ellipse: ['rx', 'ry'],
  polyline: ['points'],
  polygon: ['points'],
  use: ['xlink:href'],
  image: ['xlink:href', 'width', 'height'],
  stop: ['offset'],
};
/** What a passage within words can't have. */
const NOT_ON_WORDS = ['transform', 'width', 'height', 'viewBox', 'preserveAspectRatio'];

/**
 * Mends a drawing where its parts stand in others that can't hold them, so that it is valid SVG: text in text becomes a passage of it, as
 * do groups and links there; what no program draws is taken out. Gives how many parts were taken out with words or shapes.
 */
export function mendStructure(part: Part): number {
  let takenOut = 0;
  part.children = part.children.filter((child) => {
    if (typeof child === 'string') return child.trim() === '' || WORDED.has(part.name) || DATA.has(part.name);
    if (WORDED.has(part.name) && (child.name === 'text' || child.name === 'g')) {
      child.name = 'tspan';
      for (const name of NOT_ON_WORDS) delete child.attributes[name];
    }
    const isHeld = WORDED.has(part.name)
      ? AMONG_WORDS.has(child.name)
      : child.name !== 'tspan' && child.name !== 'textPath' && (HOLDS[part.name]?.has(child.name) ?? true);
    const isDrawn = (NEEDS[child.name] ?? []).every((name) => child.attributes[name] !== undefined);
    if (isHeld && isDrawn) return true;
    takenOut++;
    return false;
  });
  for (const child of part.children) if (typeof child !== 'string') takenOut += mendStructure(child);
  return takenOut;
}
