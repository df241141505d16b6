import type { Document, Element } from 'domhandler';
import { getElementsByTagName, textContent } from 'domutils';
import { parse, walk, generate, type CssNode, type Declaration } from 'css-tree';
import { formatHex, parse as parseColour } from 'culori';
import type { LinkLook } from '../../manuscript/index.js';
import type { Tally } from '../book/report.js';

/** What of a link's look a style says. */
export interface StyleSaid {
  colour?: string;
  underline?: LinkLook['underline'];
  weight?: LinkLook['weight'];
  /** It has a ground of its own, which a book does not keep: its colour says nothing without. */
  hasGround?: boolean;
}

/** The rules for links that a page has in itself. */
export interface LinkStyles {
  of(element: Element): StyleSaid;
  /** The page has a ground of its own, on which its colours are to be seen. */
  hasGround: boolean;
}

export const NO_STYLES: LinkStyles = { of: () => ({}), hasGround: false };

/** What an element's own `style`, and the `color` of a `font`, say. */
export function declarationsOf({ name, attribs }: Element): StyleSaid {
  const font = name === 'font' ? colourFrom(attribs.color ?? '') : undefined;
  const own = attribs.style ? saidIn(attribs.style) : {};
  return { ...(font ? { colour: font } : {}), ...own };
}

function saidIn(style: string): StyleSaid {
  try {
    const said: StyleSaid = {};
    walk(parse(style, { context: 'declarationList' }), {
      visit: 'Declaration',
      enter: (node) => take(node, said),
    });
    return said;
  } catch {
    return {};
  }
}

function take({ property, value }: Declaration, said: StyleSaid): void {
  const words = generate(value).toLowerCase();
  if (property === 'color') {
    const colour = colourFrom(words);
    if (colour) said.colour = colour;
  } else if (property === 'text-decoration' || property === 'text-decoration-line') {
    if (/\bnone\b/.test(words)) said.underline ??= 'none';
    else if (words.includes('underline')) said.underline = /dott|dash/.test(words) ? 'dotted' : 'solid';
  } else if (/^border(?:-bottom)?(?:-style)?$/.test(property) && /solid|dotted|dashed|double/.test(words)) {
    // A line below is a line, whatever draws it.
    said.underline = /dott|dash/.test(words) ? 'dotted' : 'solid';
  } else if (/^background(?:-color)?$/.test(property) && !/transparent|none|inherit|initial/.test(words)) {
    said.hasGround = true;
  } else if (property === 'font-weight') {
    said.weight = /^(?:bold|bolder|[6-9]\d\d)$/.test(words) ? 'strong' : 'regular';
  }
}

/** A colour of CSS as `#rrggbb`; `undefined` for what is none, or is not seen. */
function colourFrom(words: string): string | undefined {
  const colour = parseColour(words);
  return colour && (colour.alpha ?? 1) > 0.5 ? formatHex(colour) : undefined;
}

/** A selector of one element: `a`, `.quiet`, `a.quiet`, `#first`, with `:link` or without. */
const SIMPLE = /^(a|span|font)?((?:\.[\w-]+)*)(#[\w-]+)?(?::link|:any-link)?$/i;
/** How links look when they are pointed at, visited or focused. */
const STATES = /:(?:visited|hover|focus|active|focus-visible)/i;

interface StyleRule extends ElementRule {
  said: StyleSaid;
}

/** Which elements a rule is for: empty parts are for any. */
export interface ElementRule {
  tag: string;
  classes: readonly string[];
  id: string;
}

/** What a selector of one element says: its tag, its classes and its id as they are written. */
export const elementRule = (tag = '', classes = '', id = ''): ElementRule => ({
  tag: tag.toLowerCase(),
  classes: classes.split('.').filter(Boolean),
  id: id.slice(1),
});

/** Says of rules whether they are for an element. */
export function fitting({ name, attribs }: Element): (rule: ElementRule) => boolean {
  const own = new Set(attribs.class?.split(/\s+/));
  return ({ tag, classes, id }) =>
    (tag === '' || tag === name) && (id === '' || id === attribs.id) && classes.every((one) => own.has(one));
}

/** The style sheets that a page has in itself. */
export const sheetsIn = (document: Document): string[] =>
  getElementsByTagName('style', document.children, true).map((element) => textContent(element));

/** The rules of a page's own `style` elements, as far as they are for single elements. */
export function stylesOfPage(document: Document, tally: Tally): LinkStyles {
  const rules: StyleRule[] = [];
  let hasGround = false;
  for (const text of sheetsIn(document)) {
    let sheet: CssNode;
    try {
      sheet = parse(text);
    } catch {
      continue;
    }
    walk(sheet, {
      visit: 'Rule',
      enter(node) {
        const said: StyleSaid = {};
        walk(node.block, { visit: 'Declaration', enter: (one) => take(one, said) });
        for (const selector of generate(node.prelude).split(',')) {
          if (/^(?:html|body|:root)$/i.test(selector.trim()) && said.hasGround) hasGround = true;
          if (/(?:^|[\s>+~])a[^\s]*$/i.test(selector) && STATES.test(selector))
            tally.add(
              'changed',
              'styles of links',
              'how links look when visited or focused is the same in every book',
            );
          const [, tag = '', classes = '', id = ''] = SIMPLE.exec(selector.trim()) ?? [];
          if (tag + classes + id === '' || Object.keys(said).length === 0) continue;
          rules.push({ ...elementRule(tag, classes, id), said });
        }
      },
    });
  }
  for (const { attribs } of getElementsByTagName('body', document.children, true))
    if (attribs.bgcolor !== undefined || (attribs.style && saidIn(attribs.style).hasGround)) hasGround = true;
  // The more particular rule holds (CSS Cascade, specificity).
  const weight = ({ tag, classes, id }: StyleRule) => (id ? 100 : 0) + classes.length * 10 + (tag ? 1 : 0);
  rules.sort((one, other) => weight(one) - weight(other));
  if (rules.length === 0 && !hasGround) return NO_STYLES;
  if (hasGround)
    tally.add('changed', 'styles of links', 'the page had a ground of its own, so colours are not kept');
  return {
    hasGround,
    of: (element) =>
      Object.assign({}, ...rules.filter(fitting(element)).map(({ said }) => said)) as StyleSaid,
  };
}

/** Whether an element is not shown, and so not heard. */
export function isHidden(element: Element): boolean {
  const { hidden, style = '' } = element.attribs;
  return hidden !== undefined || /(?:^|;)\s*(?:display\s*:\s*none|visibility\s*:\s*hidden)/i.test(style);
}
