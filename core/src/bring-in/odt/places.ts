import type { Document, Element } from 'domhandler';
import { textContent } from 'domutils';
import { decodeLoosely } from '../../destination/index.js';
import { inside } from '../page/elements.js';

/** What a link or a reference of a text document leads to. */
export interface OdtPlace {
  id: string;
  kind: 'spot' | 'heading' | 'note' | 'label';
}

/** What kinds of targets a link names after a bar, and the elements that bear the name. */
const NAMED: Record<string, string> = {
  table: 'table:table',
  frame: 'draw:frame',
  graphic: 'draw:frame',
  ole: 'draw:frame',
  region: 'text:section',
};

interface Heading {
  element: Element;
  words: string;
  number: string;
}

/** The places of a text document before it is read, and where the links in it lead. */
export class Places {
  readonly #ids = new Map<Element, string>();
  readonly #headings: Heading[] = [];
  readonly #named = new Map<string, Element>();
  readonly #marks = new Map<string, OdtPlace>();

  constructor(content: Document) {
    const counts: number[] = [];
    const open: Element[] = inside(content).reverse();
    for (let element = open.pop(); element; element = open.pop()) {
      const { name, attribs } = element;
      if (name === 'text:h') {
        const level = Number(attribs['text:outline-level'] ?? 1);
        counts.length = Math.min(counts.length, level);
        while (counts.length < level) counts.push(0);
        counts[level - 1] = (counts[level - 1] ?? 0) + 1;
        this.#headings.push({ element, words: plain(wordsIn(element)), number: counts.join('.') });
      }
      const kind = Object.entries(NAMED).find(([, bearer]) => bearer === name);
      const called = attribs['table:name'] ?? attribs['draw:name'] ?? attribs['text:name'];
      if (kind && called !== undefined) this.#named.set(`${name} ${called}`, element);
      if (/^text:bookmark(?:-start)?$/.test(name))
        this.#mark(`bookmark ${attribs['text:name'] ?? ''}`, attribs['text:name'] ?? '', 'spot');
      if (/^text:reference-mark(?:-start)?$/.test(name))
        this.#mark(`mark ${attribs['text:name'] ?? ''}`, `mark.${attribs['text:name'] ?? ''}`, 'spot');
      if (name === 'text:note')
        this.#mark(`note ${attribs['text:id'] ?? ''}`, `note.${attribs['text:id'] ?? ''}`, 'note');
      if (name === 'text:sequence')
        this.#mark(
          `sequence ${attribs['text:ref-name'] ?? ''}`,
          `sequence.${attribs['text:ref-name'] ?? ''}`,
          'label',
        );
      open.push(...inside(element).reverse());
    }
  }

  #mark(key: string, id: string, kind: OdtPlace['kind']): void {
    if (!this.#marks.has(key)) this.#marks.set(key, { id, kind });
  }

  /** The place that a field of reference names; `null` where there is none. */
  marked(kind: 'bookmark' | 'mark' | 'note' | 'sequence', name: string): OdtPlace | null {
    return this.#marks.get(`${kind} ${name}`) ?? null;
  }

  /** Where a link within the document leads; as it is written, where that is nowhere. */
  addressOf(href: string): string {
    if (!href.startsWith('#')) return href;
    const target = decodeLoosely(href.slice(1));
    const [, name = target, kind = ''] = /^(.*)\|(\w+)$/s.exec(target) ?? [];
    if (kind === 'outline') return this.#led(this.#heading(name)) ?? href;
    if (kind === 'sequence') return `#${this.marked('sequence', name)?.id ?? name}`;
    const bearer = NAMED[kind];
    if (bearer) return this.#led(this.#named.get(`${bearer} ${name}`)) ?? href;
    return `#${this.#marks.get(`bookmark ${target}`)?.id ?? this.#marks.get(`mark ${target}`)?.id ?? target}`;
  }

  /** A heading by its words, of several the one of that number: `1.2.Tides` or `Tides`. */
  #heading(target: string): Element | undefined {
    const [, number = '', words = target] = /^((?:\d+\.)+)\s*(.*)$/s.exec(target) ?? [];
    const same = (wanted: string) => this.#headings.filter((heading) => heading.words === plain(wanted));
    const found = [...same(target), ...same(words)];
    return (found.find((heading) => `${heading.number}.` === number) ?? found[0])?.element;
  }

  #led(element: Element | undefined): string | null {
    if (!element) return null;
    const id = this.#ids.get(element) ?? `place.${this.#ids.size + 1}`;
    this.#ids.set(element, id);
    return `#${id}`;
  }

  /** The id of an element that something leads to. Read all links first. */
  idOf(element: Element): Record<string, string> {
    const id = this.#ids.get(element);
    return id ? { id } : {};
  }
}

const plain = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** The words of a heading, without remarks that are noted in it. */
function wordsIn(element: Element): string {
  return element.children
    .map((child) => {
      if (!('name' in child)) return textContent(child);
      if (/^(?:text:note|office:annotation|draw:frame)$/.test(child.name)) return '';
      return child.name === 'text:s' || child.name === 'text:tab' ? ' ' : wordsIn(child as Element);
    })
    .join('');
}
