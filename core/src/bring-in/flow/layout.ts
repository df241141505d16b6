import { isTag, type ChildNode, type Element } from 'domhandler';
import type { Node } from 'prosemirror-model';
import { CREDIT, NEW_PAGE } from '../../manuscript/index.js';

const classes = ({ attribs }: Element): string[] => attribs.class?.split(/\s+/) ?? [];

/** CSS Fragmentation 3, 3.1; CSS 2.2, 13.3.1. */
const BREAK = /(?:^|;)\s*(?:page-)?break-before\s*:\s*(?:always|page|left|right|recto|verso)\b/i;

/** An element that is said to begin a page: by its own style, or by what our own files say. */
const isBeginning = (element: Element): boolean =>
  element.attribs['data-new-page'] !== undefined ||
  classes(element).includes(NEW_PAGE) ||
  BREAK.test(element.attribs.style ?? '');

const BEGINNERS = new Set(['heading', 'paragraph', 'figure']);

/** The blocks that an element became; the first of them begins a page where the element does. */
export function beginningPage(element: Element, blocks: Node[]): Node[] {
  const [first, ...rest] = blocks;
  if (!first || !isBeginning(element) || !BEGINNERS.has(first.type.name)) return blocks;
  return [first.type.create({ ...first.attrs, newPage: true }, first.content, first.marks), ...rest];
}

/** The credit of a picture within its caption. */
export const isCredit = (child: ChildNode): child is Element =>
  isTag(child) && classes(child).includes(CREDIT);
