import { unzipSync } from 'fflate';
import { parseDocument } from 'htmlparser2';
import { isTag, isText, type ChildNode, type Element } from 'domhandler';
import { getElementsByTagName } from 'domutils';
import type { FoundLink, Landing } from './found-link.js';

/** How much of the text before and after a spot is read, and within how many signs its words begin. In UTF-16 units. */
const LENGTH = 300;
const WITHIN = 30;

interface Found {
  href: string;
  text: string;
  note?: string;
  where: string;
}

/**
 * Every link of an ODT file in reading order: of `text:a` and `draw:a`, of fields of reference, and of the marks of notes. Where a link lands
 * is told by the text from its bookmark on.
 */
export function linksInOdt(bytes: Uint8Array, files: ReadonlySet<string> = new Set()): FoundLink[] {
  const packed = unzipSync(bytes);
  const content = packed['content.xml'];
  if (!content) return [];
  const document = parseDocument(new TextDecoder().decode(content), { xmlMode: true });
  const reader = new Reader();
  for (const text of getElementsByTagName('office:text', document.children)) reader.walk(text.children);
  return reader.found.map(({ href, text, note, where }) => {
    const found = { text: text.replace(/\s+/g, ' ').trim(), ...(note === undefined ? {} : { note }), where };
    if (!href.startsWith('#')) {
      const path = href.replace(/^\.\.\//, '');
      const isBeside = files.has(path.replace(/#.*$/, '')) || /^[^/]+\.odt(?:#|$)/.test(path);
      return { ...found, href: path, lands: /^[a-z][a-z0-9+.-]*:/i.test(path) || isBeside };
    }
    const name = decodeURIComponent(href.slice(1));
    const landing = reader.landingAt(name);
    return { ...found, href: `#${name}`, lands: landing !== undefined, landing };
  });
}

class Reader {
  readonly found: Found[] = [];
  readonly #at = new Map<string, number>();
  /** Remarks by the bookmark that stands before their mark. */
  readonly #remarks = new Map<string, string>();
  #text = '';
  #open: Found[] = [];
  #fresh = '';
  #where = 'the text';
  /** Notes by their ids, as fields name them: the bookmark before each. */
  readonly #named = new Map<string, string>();
  readonly #awaiting: { found: Found; note: string }[] = [];
  #isComposed = false;

  walk(nodes: readonly ChildNode[]): void {
    for (const node of nodes) {
      if (isText(node)) this.#say(node.data.replace(/\s+/g, ' '));
      else if (isTag(node)) this.#element(node);
    }
    for (const { found, note } of this.#awaiting) found.href = `#${this.#named.get(note) ?? note}`;
  }

  landingAt(name: string): Landing | undefined {
    const remark = this.#remarks.get(name);
    if (remark !== undefined) return { text: remark, within: WITHIN, before: '', after: remark };
    const at = this.#at.get(name);
    if (at === undefined) return undefined;
    const after = this.#text.slice(at, at + LENGTH);
    return { text: after, within: WITHIN, before: this.#text.slice(Math.max(0, at - LENGTH), at), after };
  }

  #say(words: string): void {
    this.#text += words;
    if (words !== '') this.#fresh = '';
    for (const link of this.#open) link.text += words;
  }

  #link(href: string, note: string | undefined, element: Element): Found {
    const found: Found = { href, text: '', where: this.#where, ...(note === undefined ? {} : { note }) };
    if (!this.#isComposed || this.#open.length === 0) this.found.push(found);
    this.#open.push(found);
    this.walk(element.children);
    this.#open = this.#open.filter((one) => one !== found);
    return found;
  }

  #element(element: Element): void {
    const { name, attribs } = element;
    const target = attribs['text:ref-name'] ?? '';
    switch (name) {
      case 'text:a':
      case 'draw:a':
        this.#link(attribs['xlink:href'] ?? '', attribs['office:title'], element);
        return;
      case 'text:bookmark-ref':
        // The page numbers of a list of contents are no part of its lines.
        if (this.#open.length > 0 && !this.#isComposed) return;
        this.#link(`#${encodeURIComponent(target)}`, undefined, element);
        return;
      case 'text:sequence-ref':
        this.#link(`#${encodeURIComponent(target.replace(/^seq /, ''))}`, undefined, element);
        return;
      case 'text:note-ref':
        this.#awaiting.push({ found: this.#link('', undefined, element), note: target });
        return;
      case 'text:bookmark':
      case 'text:bookmark-start':
        this.#at.set(attribs['text:name'] ?? '', this.#text.length);
        this.#fresh = attribs['text:name'] ?? '';
        return;
      case 'text:note':
        return this.#note(element);
      case 'text:s':
        return this.#say(' '.repeat(Number(attribs['text:c'] ?? 1)));
      case 'text:tab':
      case 'text:line-break':
        return this.#say(' ');
      case 'svg:desc':
        return this.#picture(element);
      case 'text:meta': {
        // What is composed of several fields is one link.
        if (!(attribs['xml:id'] ?? '').startsWith('reference')) return this.walk(element.children);
        const before = this.found.length;
        const from = this.#text.length;
        this.walk(element.children);
        const [first] = this.found.splice(before);
        if (!first) return;
        first.text = this.#text.slice(from);
        this.found.push(first);
        return;
      }
      case 'text:section': {
        // The contents of the whole book lead to places by themselves; they are no links of its text.
        const before = this.found.length;
        this.walk(element.children);
        if (
          element.children.some((one) => isTag(one) && one.name === 'text:table-of-content') &&
          /^computed/.test(attribs['text:name'] ?? '')
        )
          this.found.length = before;
        return;
      }
      case 'text:p':
      case 'text:h':
        this.walk(element.children);
        if (!this.#text.endsWith(' ')) this.#text += ' ';
        return;
      default:
        this.walk(element.children);
    }
  }

  #picture(description: Element): void {
    const isFormula =
      description.parent &&
      isTag(description.parent) &&
      (description.parent.attribs['draw:name'] ?? '').startsWith('Formula');
    if (!isFormula) return this.walk(description.children);
    this.walk(description.children);
  }

  #note(element: Element): void {
    const name = this.#fresh;
    const [citation] = getElementsByTagName('text:note-citation', element.children);
    const [body] = getElementsByTagName('text:note-body', element.children);
    const number = citation?.children.map((one) => (isText(one) ? one.data : '')).join('') ?? '';
    this.#named.set(element.attribs['text:id'] ?? '', name);
    this.found.push({ href: `#${encodeURIComponent(name)}`, text: number, where: this.#where });
    this.#say(number);
    const [text, open, where] = [this.#text, this.#open, this.#where];
    const at = new Map(this.#at);
    this.#text = '';
    this.#open = [];
    this.#where = 'the notes';
    this.walk(body?.children ?? []);
    this.#remarks.set(name, this.#text.slice(0, LENGTH));
    // Places within a remark stand in its own text.
    const own = this.#text;
    this.#text = text;
    [this.#open, this.#where] = [open, where];
    for (const [bookmark, offset] of this.#at)
      if (at.get(bookmark) !== offset && !this.#remarks.has(bookmark))
        this.#remarks.set(bookmark, own.slice(offset, offset + LENGTH));
  }
}
