import { isTag, type ChildNode, type Document, type Element } from 'domhandler';
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

/** Places that a book published from here has in any case, by the names of their bookmarks. */
export const BOOK_TOP = '_book_top';
export const BOOK_CONTENTS = '_book_contents';

/** Names that programs give, and no author sees. */
export const isHiddenName = (name: string): boolean => /^_/.test(name);

/** The places of a text document before it is read, and where the links in it lead. */
export class Places {
  readonly #ids = new Map<Element, string>();
  readonly #headings: Heading[] = [];
  readonly #named = new Map<string, Element>();
  readonly #marks = new Map<string, OdtPlace>();
  readonly #owned = new Set<string>();

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
      if (/^text:bookmark(?:-start)?$/.test(name) && !this.#ownPlace(element))
        this.#mark(`bookmark ${attribs['text:name'] ?? ''}`, attribs['text:name'] ?? '', 'spot');
      if (/^text:reference-mark(?:-start)?$/.test(name))
        this.#mark(`mark ${attribs['text:name'] ?? ''}`, `mark.${attribs['text:name'] ?? ''}`, 'spot');
      if (name === 'text:note')
        this.#mark(`note ${attribs['text:id'] ?? ''}`, `note.${attribs['text:id'] ?? ''}`, 'note');
      if (name === 'text:sequence') {
        const ref = attribs['text:ref-name'] ?? '';
        this.#mark(`sequence ${ref}`, this.#ids.get(paragraphOf(element)) ?? `sequence.${ref}`, 'label');
      }
      open.push(...inside(element).reverse());
    }
  }

  /** A hidden bookmark just before a note, or over all the words of a paragraph, is the place of the note or the paragraph. */
  #ownPlace(bookmark: Element): boolean {
    const name = bookmark.attribs['text:name'] ?? '';
    const { parent, next } = siblings(bookmark);
    if (!isHiddenName(name) || !parent) return false;
    if (next?.name === 'text:note' && next.attribs['text:id'] === `note ${name}`) {
      this.#mark(`bookmark ${name}`, `note.${next.attribs['text:id'] ?? ''}`, 'note');
      return true;
    }
    if (!/^text:[ph]$/.test(parent.name) || !isWhole(bookmark, parent)) return false;
    const id = this.#ids.get(parent) ?? `place.${this.#ids.size + 1}`;
    this.#ids.set(parent, id);
    this.#mark(`bookmark ${name}`, id, parent.name === 'text:h' ? 'heading' : 'spot');
    this.#owned.add(name);
    return true;
  }

  /** A bookmark that is the place of something else. */
  isOwned(name: string): boolean {
    return this.#owned.has(name) || this.#marks.get(`bookmark ${name}`)?.kind === 'note';
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

/** The paragraph in which something stands; itself where it stands in none. */
function paragraphOf(one: Element): Element {
  let at = one;
  while (!/^text:[ph]$/.test(at.name) && at.parent && isTag(at.parent)) at = at.parent;
  return at;
}

function siblings(one: Element): { parent: Element | null; next: Element | null } {
  const parent = one.parent && isTag(one.parent) ? one.parent : null;
  const next = parent?.children[parent.children.indexOf(one) + 1];
  return { parent, next: next && isTag(next) ? next : null };
}

/** A bookmark stands on all the words of its paragraph; what other bookmarks begin and end there says nothing. */
function isWhole(start: Element, paragraph: Element): boolean {
  const name = start.attribs['text:name'];
  const parts = paragraph.children;
  const from = parts.indexOf(start);
  const to = parts.findIndex(
    (one) => isTag(one) && one.name === 'text:bookmark-end' && one.attribs['text:name'] === name,
  );
  const says = (one: ChildNode) =>
    !(isTag(one) && /^text:bookmark/.test(one.name)) && (isTag(one) || textContent(one).trim() !== '');
  return to > from + 1 && !parts.slice(0, from).some(says) && !parts.slice(to).some(says);
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
