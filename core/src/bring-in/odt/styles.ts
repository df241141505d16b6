import type { Document, Element } from 'domhandler';
import { getElementsByTagName } from 'domutils';
import { childNamed, inside } from '../page/elements.js';
import { useOfStyle, type StyleUse } from '../page/style-names.js';
import { OF_ONE_WIDTH, type WordLook } from '../page/word-look.js';

const READ = /^(?:style:(?:style|default-style)|text:(?:list|outline)-style)$/;

interface Style {
  name: string;
  use: StyleUse | null;
  parent: string;
  look: WordLook;
  outline: number | null;
  list: string;
  isRuled: boolean;
  beginsPage: boolean;
}

/** What a kind of paragraphs is, by its style and those that it is made from. */
export interface ParagraphStyle {
  use: StyleUse | null;
  outline: number | null;
  look: WordLook;
  /** An empty paragraph of it is a rule. */
  isRuled: boolean;
  /** It is said of this paragraph, and not of all of a kind, that it begins a page. */
  beginsPage: boolean;
  /** The caption of a table. */
  isOfTable: boolean;
}

/** How one level of a list counts. */
export interface ListLevel {
  ordered: boolean;
  /** HTML's `type` of its numbers. */
  type: string;
  start: number;
}

/** The styles of a text document (ISO/IEC 26300, 16). */
export class Styles {
  readonly #styles = new Map<string, Style>();
  readonly #lists = new Map<string, Map<number, ListLevel>>();
  readonly #looks = new Map<string, WordLook>();
  #standard: WordLook['languages'];
  /** Headings are numbered 1, 1.1, 1.1.1. */
  readonly isCounted: boolean;

  /** @param parts the common styles before those of the text */
  constructor(parts: readonly (Document | null)[]) {
    let isCounted = false;
    for (const part of parts)
      for (const element of part ? getElementsByTagName((tag) => READ.test(tag), part.children) : []) {
        const { name, attribs } = element;
        if (name === 'style:default-style' && attribs['style:family'] === 'paragraph')
          this.#standard = lookOf(childNamed(element, 'style:text-properties')).languages;
        else if (name === 'text:list-style') this.#lists.set(attribs['style:name'] ?? '', levelsIn(element));
        else if (name === 'text:outline-style') isCounted = countsHeadings(element);
        else if (name === 'style:style') this.#take(element);
      }
    this.isCounted = isCounted;
  }

  #take(element: Element): void {
    const { attribs } = element;
    const coded = attribs['style:name'] ?? '';
    const name =
      attribs['style:display-name'] ??
      coded.replace(/_([0-9a-f]{2})_/gi, (_, hex: string) => String.fromCharCode(Number.parseInt(hex, 16)));
    const level = Number(attribs['style:default-outline-level'] ?? 0);
    const properties = childNamed(element, 'style:paragraph-properties')?.attribs ?? {};
    this.#styles.set(`${attribs['style:family'] ?? ''} ${coded}`, {
      name,
      use: useOfStyle(name),
      parent: attribs['style:parent-style-name'] ?? '',
      look: lookOf(childNamed(element, 'style:text-properties')),
      outline: level >= 1 ? Math.min(6, level) : null,
      list: attribs['style:list-style-name'] ?? '',
      beginsPage:
        element.parent !== null &&
        (element.parent as Element).name === 'office:automatic-styles' &&
        properties['fo:break-before'] === 'page',
      isRuled: [properties['fo:border-bottom'], properties['fo:border-top'], properties['fo:border']].some(
        (line) => line !== undefined && line !== 'none',
      ),
    });
  }

  #chain(family: string, name: string): Style[] {
    const chain: Style[] = [];
    for (let at = name; at !== '' && chain.length < 50;) {
      const style = this.#styles.get(`${family} ${at}`);
      if (!style) break;
      chain.push(style);
      at = style.parent;
    }
    return chain;
  }

  paragraph(name: string): ParagraphStyle {
    const chain = this.#chain('paragraph', name);
    const look = Object.assign({}, ...chain.map((style) => style.look).reverse()) as WordLook;
    return {
      use: chain.find(({ use }) => use !== null)?.use ?? null,
      outline: chain.find(({ outline }) => outline !== null)?.outline ?? null,
      // How a whole paragraph looks says nothing of its words but their language.
      look: { languages: look.languages ?? this.#standard },
      isRuled: chain.some(({ isRuled }) => isRuled),
      beginsPage: chain[0]?.beginsPage ?? false,
      isOfTable: chain.some(({ name: one }) =>
        /^(?:table|tabelle|tableau|tabla|tabela|tabel|tabella)$/i.test(one),
      ),
    };
  }

  words(name: string): WordLook {
    const known = this.#looks.get(name);
    if (known) return known;
    const chain = this.#chain('text', name);
    const look = Object.assign({}, ...chain.map((style) => style.look).reverse()) as WordLook;
    if (chain.some(({ use }) => use === 'code')) look.isCode = true;
    this.#looks.set(name, look);
    return look;
  }

  /** A style by which links look as links do. */
  isLink(name: string): boolean {
    return this.#chain('text', name).some(({ use }) => use === 'link');
  }

  listOfParagraph(name: string): string {
    return this.#chain('paragraph', name).find(({ list }) => list !== '')?.list ?? '';
  }

  list(name: string, level: number): ListLevel {
    return this.#lists.get(name)?.get(level) ?? { ordered: false, type: '', start: 1 };
  }
}

/** What the properties of words say of their look (ISO/IEC 26300, 16.29.7 and 20). */
function lookOf(properties: Element | null): WordLook {
  const look: WordLook = {};
  if (!properties) return look;
  const { attribs } = properties;
  const said = (name: string, take: (value: string) => void) => {
    const value = attribs[name];
    if (value !== undefined) take(value);
  };
  said('fo:font-weight', (value) => (look.bold = /^(?:bold|[6-9]00)$/.test(value)));
  said('fo:font-style', (value) => (look.italic = /italic|oblique/.test(value)));
  said('style:text-position', (value) => {
    look.raised = /^(?:super|[1-9])/.test(value) ? 'sup' : /^(?:sub|-)/.test(value) ? 'sub' : null;
  });
  said('style:text-line-through-style', (value) => (look.struck = value !== 'none'));
  said('fo:font-variant', (value) => (look.inSmallCapitals = value === 'small-caps'));
  said('style:text-underline-style', (value) => (look.underline = value === 'solid' ? 'single' : value));
  said('fo:color', (value) => (look.colour = value.replace('#', '').toLowerCase()));
  said('text:display', (value) => (look.isHidden = value === 'none'));
  said('style:font-name', (value) => (look.isCode = OF_ONE_WIDTH.test(value)));
  said('fo:language', (value) => {
    const tag = (language: string | undefined, country: string | undefined) =>
      !language || language === 'none' || language === 'zxx'
        ? ''
        : [language, country && !/^(?:none|zxx)$/i.test(country) ? country : ''].filter(Boolean).join('-');
    look.languages = {
      plain: tag(value, attribs['fo:country']),
      eastern: tag(attribs['style:language-asian'], attribs['style:country-asian']),
      bidirectional: tag(attribs['style:language-complex'], attribs['style:country-complex']),
    };
  });
  return look;
}

function levelsIn(list: Element): Map<number, ListLevel> {
  return new Map(
    inside(list).map(({ name, attribs }) => {
      const format = attribs['style:num-format'] ?? '';
      return [
        Number(attribs['text:level'] ?? 1),
        {
          ordered: name === 'text:list-level-style-number' && format !== '',
          type: /^[aAiI]$/.test(format) ? format : '',
          start: Number(attribs['text:start-value'] ?? 1),
        },
      ];
    }),
  );
}

function countsHeadings(outline: Element): boolean {
  const level = (number: number) =>
    inside(outline).find(({ attribs }) => attribs['text:level'] === String(number))?.attribs ?? {};
  const [first, second] = [level(1), level(2)];
  if (first['style:num-format'] !== '1' || (first['style:num-prefix'] ?? '') !== '') return false;
  return (
    (second['style:num-format'] ?? '') === '' ||
    (second['style:num-format'] === '1' && Number(second['text:display-levels'] ?? 1) >= 2)
  );
}
