import { unzipSync } from 'fflate';
import { parseDocument } from 'htmlparser2';
import { isTag, type Document, type Element } from 'domhandler';
import { getElementsByTagName } from 'domutils';
import type { FoundLink, Landing } from './found-link.js';

/** How much of the text before and after a spot is read, and within how many signs its words begin. In UTF-16 units. */
const LENGTH = 300;
const WITHIN = 30;

/** The place at the top of every document (from memory). */
const TOP = '_top';

/** A link that is open while its words are read. */
interface Open {
  href: string;
  text: string;
  note?: string;
}

/** A field: its code, then its result. */
interface Field {
  code: string;
  isResult: boolean;
  link: Open | null;
}

/**
 * Every link of a DOCX file in reading order: of hyperlinks, of fields, of pictures and of the marks of notes, which a program numbers. Where a
 * link lands is told by the text from its bookmark on.
 */
export function linksInDocx(bytes: Uint8Array, files: ReadonlySet<string> = new Set()): FoundLink[] {
  const packed = unzipSync(bytes);
  const read = (path: string): Document | null => {
    const part = packed[`word/${path}`];
    return part ? parseDocument(new TextDecoder().decode(part), { xmlMode: true }) : null;
  };
  const reader = new Reader(read, files);
  return reader.links();
}

class Reader {
  #text = '';
  readonly #at = new Map<string, number>();
  readonly #found: { link: Open; where: string }[] = [];
  readonly #restarts: boolean;
  #notes = 0;
  /** The remarks whose marks a bookmark stands on, by its name. */
  readonly #remarks = new Map<string, string>();
  #fields: Field[] = [];
  #open: Open[] = [];
  /** Bookmarks after which nothing has come. */
  #fresh: string[] = [];
  #relations = new Map<string, string>();
  #where = 'the text';

  constructor(
    readonly read: (path: string) => Document | null,
    readonly files: ReadonlySet<string>,
  ) {
    const settings = read('settings.xml');
    this.#restarts =
      settings !== null &&
      getElementsByTagName('w:numRestart', settings.children).some(
        ({ attribs }) => attribs['w:val'] === 'eachSect',
      );
  }

  links(): FoundLink[] {
    const remarks = ['footnote', 'endnote'].map((kind) => [kind, this.read(`${kind}s.xml`)] as const);
    const texts = new Map(
      remarks.flatMap(([kind, part]) =>
        (part ? getElementsByTagName(`w:${kind}`, part.children) : []).map((one): [string, string] => [
          `${kind} ${one.attribs['w:id'] ?? ''}`,
          getElementsByTagName('w:t', one.children)
            .map((text) => text.children.map((child) => ('data' in child ? String(child.data) : '')).join(''))
            .join('')
            .trimStart(),
        ]),
      ),
    );
    this.#part('document.xml', 'the text');
    for (const [kind] of remarks) this.#part(`${kind}s.xml`, 'the notes');
    const landingAt = (name: string): Landing | undefined => {
      if (name === TOP) return { text: this.#text.slice(0, LENGTH), within: WITHIN, before: '', after: '' };
      const remark = this.#remarks.get(name);
      if (remark !== undefined) {
        const text = texts.get(remark) ?? '';
        return { text, within: WITHIN, before: '', after: text };
      }
      const at = this.#at.get(name);
      if (at === undefined) return undefined;
      const after = this.#text.slice(at, at + LENGTH);
      return { text: after, within: WITHIN, before: this.#text.slice(Math.max(0, at - LENGTH), at), after };
    };
    return this.#found.map(({ link: { href: said, text, note }, where }) => {
      // Bookmarks over a whole caption and over its words are the place of what it is of.
      const label = said.replace(/_(?:all|words)$/, '');
      const href = said.startsWith('#') && this.#at.has(label.slice(1)) ? label : said;
      const found = {
        href,
        text: text.replace(/\s+/g, ' ').trim(),
        ...(note === undefined ? {} : { note }),
        where,
      };
      if (!href.startsWith('#'))
        return { ...found, lands: /^[a-z][a-z0-9+.-]*:/i.test(href) || this.#isBeside(href) };
      const landing = landingAt(href.slice(1));
      return { ...found, lands: landing !== undefined, landing };
    });
  }

  /** Another book of this form lies next to the file as well. */
  #isBeside(href: string): boolean {
    const path = href.replace(/#.*$/, '');
    return this.files.has(path) || /^[^/]+\.docx$/.test(path);
  }

  #part(path: string, where: string): void {
    const document = this.read(path);
    if (!document) return;
    this.#where = where;
    const relations = this.read(`_rels/${path}.rels`);
    this.#relations = new Map(
      (relations ? getElementsByTagName('Relationship', relations.children) : []).map(({ attribs }) => [
        attribs.Id ?? '',
        attribs.Target ?? '',
      ]),
    );
    this.#fields = [];
    this.#walk(document.children.filter(isTag));
  }

  /** The contents of the whole book lead to places by themselves; they are no links of its text. */
  #isContents = false;

  #walk(elements: readonly Element[]): void {
    for (const element of elements) this.#element(element);
  }

  #element(element: Element): void {
    const { name: kind, attribs } = element;
    const inside = element.children.filter(isTag);
    switch (kind) {
      case 'w:t':
      case 'm:t':
        return this.#say(
          element.children.map((child) => ('data' in child ? String(child.data) : '')).join(''),
        );
      case 'w:tab':
      case 'w:br':
        return this.#say(' ');
      case 'w:p':
        this.#walk(inside);
        return this.#pause();
      case 'w:bookmarkStart':
        this.#at.set(attribs['w:name'] ?? '', this.#text.length);
        this.#fresh.push(attribs['w:name'] ?? '');
        this.#isContents ||= attribs['w:name'] === '_book_contents';
        return;
      case 'w:hyperlink':
        return this.#link({ href: this.#address(attribs), text: '', note: attribs['w:tooltip'] }, () =>
          this.#walk(inside),
        );
      case 'w:sdt': {
        const tag = getElementsByTagName('w:tag', element.children, true, 1)[0]?.attribs['w:val'];
        const content = inside.filter((one) => one.name === 'w:sdtContent');
        if (tag !== 'vennet:reference') return this.#walk(content);
        // What is composed of several fields is one link.
        const before = this.#found.length;
        const from = this.#text.length;
        this.#walk(content);
        const [first] = this.#found.splice(before);
        if (first) this.#found.push({ ...first, link: { ...first.link, text: this.#text.slice(from) } });
        return;
      }
      case 'w:instrText': {
        const field = this.#fields.at(-1);
        if (field)
          field.code += element.children.map((child) => ('data' in child ? String(child.data) : '')).join('');
        return;
      }
      case 'w:fldChar':
        return this.#fieldChar(attribs['w:fldCharType'] ?? '');
      case 'w:footnoteReference':
      case 'w:endnoteReference': {
        this.#notes += 1;
        const remark = `${kind.slice(2).replace('Reference', '')} ${attribs['w:id'] ?? ''}`;
        const number = String(this.#notes);
        const name = this.#fresh.at(-1) ?? `note ${remark}`;
        this.#remarks.set(name, remark);
        this.#found.push({ link: { href: `#${name}`, text: number }, where: this.#where });
        return this.#say(number);
      }
      case 'w:sectPr':
        if (this.#restarts) this.#notes = 0;
        return;
      case 'wp:inline':
      case 'wp:anchor':
        return this.#picture(element);
      case 'w:rPr':
      case 'w:pPr':
        return this.#walk(inside.filter((one) => one.name === 'w:sectPr'));
      default:
        this.#walk(inside);
    }
  }

  #address(attribs: Record<string, string>): string {
    const target = this.#relations.get(attribs['r:id'] ?? '') ?? '';
    return target + (attribs['w:anchor'] === undefined ? '' : `#${attribs['w:anchor']}`);
  }

  #link(link: Open, read: () => void): void {
    if (!this.#isContents) this.#found.push({ link, where: this.#where });
    this.#open.push(link);
    read();
    this.#open.pop();
  }

  #say(words: string): void {
    // The page numbers of a list of contents are no part of its lines.
    if (
      this.#fields.some(
        ({ code, isResult }) => !isResult || (/^\s*PAGEREF/.test(code) && this.#open.length > 1),
      )
    )
      return;
    this.#text += words;
    this.#fresh = [];
    for (const link of this.#open) link.text += words;
  }

  #pause(): void {
    if (!this.#text.endsWith(' ')) this.#text += ' ';
  }

  #fieldChar(type: string): void {
    if (type === 'begin') this.#fields.push({ code: '', isResult: false, link: null });
    const field = this.#fields.at(-1);
    if (!field) return;
    if (type === 'separate') {
      field.isResult = true;
      const [, kind = '', target = ''] = /^\s*(\w+)\s+(\S+)/.exec(field.code) ?? [];
      if (!/^(?:REF|PAGEREF|NOTEREF)$/.test(kind)) return;
      if (this.#open.length > 0) return;
      field.link = { href: `#${target}`, text: '' };
      this.#found.push({ link: field.link, where: this.#where });
      this.#open.push(field.link);
    } else if (type === 'end') {
      this.#fields.pop();
      if (/^\s*TOC\b/.test(field.code)) this.#isContents = false;
      if (field.link) this.#open = this.#open.filter((one) => one !== field.link);
    }
  }

  #picture(element: Element): void {
    const [properties] = getElementsByTagName('wp:docPr', element.children);
    const [click] = properties ? getElementsByTagName('a:hlinkClick', properties.children) : [];
    const alt = properties?.attribs.descr ?? '';
    if (!click) return this.#say(alt);
    const link = { href: this.#address(click.attribs), text: '', note: click.attribs.tooltip };
    this.#link(link, () => this.#say(alt));
  }
}
