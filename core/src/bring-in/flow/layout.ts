import { generate, parse, walk, type Rule } from 'css-tree';
import { isTag, type ChildNode, type Element } from 'domhandler';
import type { Node } from 'prosemirror-model';
import { elementRule, fitting, type ElementRule } from './link-styles.js';
import { canBeginPage, CREDIT, NEW_PAGE } from '../../manuscript/index.js';

const classes = ({ attribs }: Element): string[] => attribs.class?.split(/\s+/) ?? [];

/** CSS Fragmentation 3, 3.1; CSS 2.2, 13.3.1. */
const BREAK = /^(?:always|page|left|right|recto|verso)\b/i;
const PROPERTY = /^(?:page-)?break-before$/i;
const OWN = /(?:^|;)\s*(?:page-)?break-before\s*:\s*([^;]+)/i;

/** Says of an element whether style sheets let it begin a page. */
export type PageBreaks = (element: Element) => boolean;

/** A selector of one element: a tag, classes, or both. */
const SIMPLE = /^([a-z][a-z0-9]*)?((?:\.[\w-]+)*)$/i;

/** What begins a page by the rules for single elements in some style sheets; what can't be read says nothing. */
export function pageBreaksIn(sheets: readonly string[]): PageBreaks {
  const rules: ElementRule[] = [];
  for (const sheet of sheets) {
    // Most say nothing of pages.
    if (!/break-before/i.test(sheet)) continue;
    try {
      walk(parse(sheet), { visit: 'Rule', enter: (rule) => void rules.push(...selectorsOf(rule)) });
    } catch {
      continue;
    }
  }
  return rules.length === 0 ? () => false : (element) => rules.some(fitting(element));
}

function selectorsOf({ prelude, block }: Rule): ElementRule[] {
  let begins = false;
  walk(block, {
    visit: 'Declaration',
    enter: ({ property, value }) => {
      if (PROPERTY.test(property)) begins = BREAK.test(generate(value));
    },
  });
  if (!begins) return [];
  return generate(prelude)
    .split(',')
    .flatMap((selector) => {
      const [, tag = '', names = ''] = SIMPLE.exec(selector.trim()) ?? [];
      return tag + names === '' ? [] : [elementRule(tag, names)];
    });
}

/** An element that is said to begin a page: by its own style, by what our own files say, or by style sheets. */
function isBeginning(element: Element, breaks: PageBreaks): boolean {
  const { style = '', 'data-new-page': said } = element.attribs;
  const own = OWN.exec(style)?.[1]?.trim();
  if (own !== undefined) return BREAK.test(own);
  return said !== undefined || classes(element).includes(NEW_PAGE) || breaks(element);
}

/** The blocks that an element became; the first of them begins a page where the element does. */
export function beginningPage(element: Element, blocks: Node[], breaks: PageBreaks): Node[] {
  const [first, ...rest] = blocks;
  if (!first || !canBeginPage(first) || !isBeginning(element, breaks)) return blocks;
  return [first.type.create({ ...first.attrs, newPage: true }, first.content, first.marks), ...rest];
}

/** The credit of a picture within its caption. */
export const isCredit = (child: ChildNode): child is Element =>
  isTag(child) && classes(child).includes(CREDIT);
