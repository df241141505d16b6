import { attrsOf, overlapOf, type Box } from '../../manuscript/index.js';
import { areaSizes } from '../area-size.js';
import type { Link } from '../../manuscript/index.js';
import type { AuditContext, Rule } from '../finding.js';

const figureOf = ({ chapter, from }: Link, { docOf }: AuditContext) => docOf?.(chapter)?.nodeAt(from) ?? null;

/** CSS px: WCAG 2.5.8, at least 24 by 24. In points 18 by 18. */
export const LEAST_SIDE = 24;

/** A part of a picture that is too small to be hit, in the forms in which it is. WCAG 2.5.8; 24 px are 18 points. */
export const areaSmall: Rule = {
  id: 'area-small',
  title: 'Parts of pictures that are too small to be hit',
  severity: 'must-fix',
  criterion: 'WCAG 2.5.8',
  looksAt: ({ carrier }) => carrier === 'area',
  find(link, context) {
    const figure = figureOf(link, context);
    const area = figure && attrsOf.figure(figure).areas.find(({ id }) => id === link.id);
    // A link on words of a page is as large as their line (the exception *inline* of the criterion).
    if (!figure || !area || area.words) return null;
    const { areas } = attrsOf.figure(figure);
    const sizes = areaSizes(area, figure, context);
    const small = sizes.filter(({ width, height }) => Math.min(width, height) < LEAST_SIDE - 0.5);
    const [first] = small;
    if (!first) return null;
    const isCrowded = small.some(({ shown, tall }) =>
      areas.some((other) => other.id !== area.id && areNear(area, other, shown, tall)),
    );
    const forms = small.map(({ form }) => form).join(' and ');
    const size = `${Math.round(first.width)} × ${Math.round(first.height)}`;
    return {
      // A small target with room around it is an exception of the criterion; a larger one is AAA (2.5.5).
      severity: isCrowded ? 'must-fix' : 'consider',
      criterion: isCrowded ? 'WCAG 2.5.8' : 'WCAG 2.5.5',
      message: `In the ${forms} this part is ${size} CSS pixels large, and fingers need 24 × 24 (18 × 18 points)${isCrowded ? ', or room around' : ''}.`,
      repairs: [{ label: 'Make it large enough', repair: { type: 'area-box', ...first.enough } }],
    };
  },
};

/** Whether a circle of 24 px around the middle of an area touches another one (WCAG 2.5.8, *spacing*); sizes of the picture in CSS px. */
function areNear(area: Box, other: Box, width: number, height: number): boolean {
  const middle = { x: (area.x + area.width / 2) * width, y: (area.y + area.height / 2) * height };
  const [left, top] = [other.x * width, other.y * height];
  const x = Math.max(left, Math.min(middle.x, left + other.width * width));
  const y = Math.max(top, Math.min(middle.y, top + other.height * height));
  return Math.hypot(middle.x - x, middle.y - y) < LEAST_SIDE / 2;
}

/** Two parts of one picture that lie over each other: which one a reader hits is chance. Common practice (no source). */
export const areaOverlap: Rule = {
  id: 'area-overlap',
  title: 'Parts of one picture that overlap',
  severity: 'should-fix',
  criterion: 'WCAG 2.5.8',
  looksAt: ({ carrier }) => carrier === 'area',
  find(link, context) {
    const figure = figureOf(link, context);
    const areas = figure ? attrsOf.figure(figure).areas : [];
    const index = areas.findIndex(({ id }) => id === link.id);
    const area = areas[index];
    // Said once of each pair: at the later one, which lies above.
    const other = area && areas.slice(0, index).find((one) => overlapOf(one, area) > 0.05);
    if (!other) return null;
    return {
      message: `This part lies over another one${other.name ? `, “${other.name}”` : ''}. Which of the two a reader hits is chance; draw them apart.`,
      repairs: [],
    };
  },
};
