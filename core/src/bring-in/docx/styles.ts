import type { Document, Element } from 'domhandler';
import { below, childNamed, inside } from '../page/elements.js';
import { useOfStyle, type StyleUse } from '../page/style-names.js';
import { OF_ONE_WIDTH, type WordLook } from '../page/word-look.js';

/** The item of a list, or the number, that a paragraph is said to have. */
export interface NumberSaid {
  list: string;
  level: number;
}

interface Style {
  name: string;
  use: StyleUse | null;
  basedOn: string;
  look: WordLook;
  outline: number | null;
  number: Partial<NumberSaid>;
}

/** What a kind of paragraphs is, by its style and those that it is based on. */
export interface ParagraphStyle {
  use: StyleUse | null;
  /** Level of headings by outline, from 1; `null` for text. */
  outline: number | null;
  number: Partial<NumberSaid>;
  languages: WordLook['languages'];
  /** How deep a paragraph goes on with the item of a list, from 0; `null` where it does not. */
  continues: number | null;
}

/** The styles of a document (ECMA-376-1, 17.7). */
export class Styles {
  readonly #styles = new Map<string, Style>();
  readonly #kinds = new Map<string, ParagraphStyle>();
  readonly #looks = new Map<string, WordLook>();
  #standard = '';
  readonly languages: WordLook['languages'];

  constructor(document: Document | null) {
    const root = document && inside(document)[0];
    const standard = below(root ?? null, 'w:docDefaults', 'w:rPrDefault', 'w:rPr');
    this.languages = lookOf(standard).languages;
    for (const element of root ? inside(root) : []) {
      if (element.name !== 'w:style') continue;
      const name = valueOf(element, 'w:name');
      const id = element.attribs['w:styleId'] ?? '';
      const properties = childNamed(element, 'w:pPr');
      if (element.attribs['w:type'] === 'paragraph' && element.attribs['w:default'] === '1')
        this.#standard = id;
      this.#styles.set(id, {
        name,
        use: useOfStyle(name),
        basedOn: valueOf(element, 'w:basedOn'),
        look: lookOf(childNamed(element, 'w:rPr')),
        outline: outlineOf(properties),
        number: numberSaid(properties),
      });
    }
  }

  #chain(id: string): Style[] {
    const chain: Style[] = [];
    const seen = new Set<string>();
    for (let at = id; at !== '' && !seen.has(at);) {
      seen.add(at);
      const style = this.#styles.get(at);
      if (!style) break;
      chain.push(style);
      at = style.basedOn;
    }
    return chain;
  }

  paragraph(id: string): ParagraphStyle {
    const own = id || this.#standard;
    const known = this.#kinds.get(own);
    if (known) return known;
    const chain = this.#chain(own);
    const number = chain.find((style) => style.number.list !== undefined)?.number ?? {};
    const level = chain.find((style) => style.number.level !== undefined)?.number.level;
    const name = chain[0]?.name ?? own;
    const kind: ParagraphStyle = {
      use: chain.find(({ use }) => use !== null)?.use ?? useOfStyle(own),
      outline: chain.find(({ outline }) => outline !== null)?.outline ?? null,
      number: { ...number, ...(level === undefined ? {} : { level }) },
      languages: chain.find(({ look }) => look.languages)?.look.languages,
      continues: /^list continue/i.test(name) ? Number(/\d/.exec(name)?.[0] ?? 1) - 1 : null,
    };
    this.#kinds.set(own, kind);
    return kind;
  }

  /** How words look by the style of their own. */
  words(id: string): WordLook {
    const known = this.#looks.get(id);
    if (known) return known;
    const chain = this.#chain(id);
    const look = Object.assign({}, ...chain.map((style) => style.look).reverse()) as WordLook;
    if (chain.some(({ use }) => use === 'code')) look.isCode = true;
    this.#looks.set(id, look);
    return look;
  }

  /** A style by which links look as links do. */
  isLink(id: string): boolean {
    return id !== '' && (this.#chain(id).some(({ use }) => use === 'link') || useOfStyle(id) === 'link');
  }

  /** The style of a heading of a level, by its name. */
  headingStyle(level: number): ParagraphStyle | null {
    for (const [id, { use }] of this.#styles)
      if (use !== null && typeof use === 'object' && use.heading === level) return this.paragraph(id);
    return null;
  }
}

export const valueOf = (parent: Element | null, name: string): string =>
  childNamed(parent, name)?.attribs['w:val'] ?? '';

/** A property that is on, off, or not said (ECMA-376-1, 17.17.4). */
export function isOn(parent: Element | null, name: string): boolean | undefined {
  const found = childNamed(parent, name);
  return found ? !/^(?:0|false|off|none)$/.test(found.attribs['w:val'] ?? 'true') : undefined;
}

/** What the properties of words say of their look. */
export function lookOf(properties: Element | null): WordLook {
  const look: WordLook = {};
  if (!properties) return look;
  for (const { name, attribs } of inside(properties)) {
    const value = attribs['w:val'] ?? '';
    const on = !/^(?:0|false|off|none)$/.test(value);
    if (name === 'w:b') look.bold = on;
    else if (name === 'w:i') look.italic = on;
    else if (name === 'w:vanish' || name === 'w:webHidden') look.isHidden = name === 'w:vanish' && on;
    else if (name === 'w:strike' || name === 'w:dstrike') look.struck = on;
    else if (name === 'w:smallCaps') look.inSmallCapitals = on;
    else if (name === 'w:u') look.underline = value || 'single';
    else if (name === 'w:color') look.colour = value.toLowerCase();
    else if (name === 'w:vertAlign')
      look.raised = value === 'superscript' ? 'sup' : value === 'subscript' ? 'sub' : null;
    else if (name === 'w:rFonts') {
      const family = attribs['w:ascii'] ?? attribs['w:hAnsi'];
      if (family !== undefined) look.isCode = OF_ONE_WIDTH.test(family);
    } else if (name === 'w:lang')
      look.languages = {
        plain: value,
        eastern: attribs['w:eastAsia'] ?? '',
        bidirectional: attribs['w:bidi'] ?? '',
      };
  }
  return look;
}

/** The level of headings that an outline says, from 1; `null` for none and for text (9). */
export function outlineOf(properties: Element | null): number | null {
  const said = valueOf(properties, 'w:outlineLvl');
  return said === '' || Number(said) > 8 ? null : Math.min(6, Number(said) + 1);
}

export function numberSaid(properties: Element | null): Partial<NumberSaid> {
  const said = childNamed(properties, 'w:numPr');
  const list = valueOf(said, 'w:numId');
  const level = valueOf(said, 'w:ilvl');
  return { ...(list === '' ? {} : { list }), ...(level === '' ? {} : { level: Number(level) }) };
}
