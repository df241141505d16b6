import { isTag, type ChildNode, type Document, type Element } from 'domhandler';
import { textContent } from 'domutils';
import { childNamed, inside } from '../page/elements.js';
import { outlineOf, valueOf, type Styles } from './styles.js';

/** What a bookmark stands on, as far as references ask for it. */
export type TargetKind = 'gone' | 'note' | 'spot' | 'heading' | 'counted' | 'label' | 'labelled';

export interface Target {
  /** The id of the element of the page that it leads to. */
  id: string;
  kind: TargetKind;
  /** Of a heading, from 1. */
  level: number | null;
}

/** The place at the top of a document, which every document has (from memory). */
export const DOCUMENT_TOP = '_top';
/** The contents of a book that was published from here. */
export const BOOK_CONTENTS = '_book_contents';

/** The beginning of a bookmark, the paragraph in which it stands, and the note whose mark it stands on. */
interface Start {
  element: Element;
  paragraph: Element | null;
  note: string | null;
}

interface Known extends Target {
  name: string;
  /** It is not shown among the bookmarks of the document. */
  isHidden: boolean;
}

/**
 * The bookmarks of a document before it is read, so that a link knows what it leads to. Hidden ones count where something leads there;
 * those of a heading are the heading itself.
 */
export class Bookmarks {
  readonly #known = new Map<string, Known>();
  readonly #paragraphs = new Map<Element, string>();
  readonly #ofParagraphs = new Set<string>();

  constructor(
    parts: readonly Document[],
    addresses: Iterable<string>,
    readonly styles: Styles,
    readonly isCounted: boolean,
  ) {
    const wanted = new Set([...addresses].flatMap((address) => /#(.+)$/.exec(address)?.[1] ?? []));
    const starts: Start[] = [];
    for (const part of parts) {
      let noted: Start[] = [];
      let held: Start[] = [];
      everyElement(part, (element, paragraph) => {
        const { name, attribs } = element;
        if (name === 'w:hyperlink')
          for (const key of ['w:anchor', 'w:docLocation']) wanted.add(attribs[key] ?? '');
        else if (name === 'w:instrText' || name === 'w:fldSimple')
          for (const word of (attribs['w:instr'] ?? textContent(element)).match(/[^\s"\\]+/g) ?? [])
            wanted.add(word);
        else if (name === 'w:bookmarkStart') {
          const start: Start = { element, paragraph, note: null };
          starts.push(start);
          noted.push(start);
        } else if (name === 'w:t' || name === 'm:t' || name === 'w:drawing') {
          // It stands on more than the mark of a note, or on something else.
          for (const start of held) start.note = null;
          noted = held = [];
        } else if (name === 'w:bookmarkEnd') {
          const isOther = (start: Start) => start.element.attribs['w:id'] !== attribs['w:id'];
          noted = noted.filter(isOther);
          held = held.filter(isOther);
        } else if (name === 'w:footnoteReference' || name === 'w:endnoteReference') {
          const id = noteIdOf(name.slice(2).replace('Reference', ''), attribs['w:id'] ?? '');
          for (const start of noted) start.note = id;
          held = noted;
          noted = [];
        }
      });
    }
    for (const { element, paragraph, note } of starts) {
      const name = element.attribs['w:name'] ?? '';
      const isHidden = name.startsWith('_');
      if (name === '' || this.#known.has(name) || (isHidden && !wanted.has(name))) continue;
      const isNote = note !== null && (isHidden || wanted.has(name));
      this.#known.set(name, {
        ...(isNote
          ? { id: note, kind: 'note', level: null }
          : this.#targetOf(name, isHidden, element, paragraph)),
        ...{ name, isHidden },
      });
    }
  }

  #targetOf(name: string, isHidden: boolean, start: Element, paragraph: Element | null): Target {
    const properties = childNamed(paragraph, 'w:pPr');
    const style = this.styles.paragraph(valueOf(properties, 'w:pStyle'));
    const { use } = style;
    const level =
      use !== null && typeof use === 'object' ? use.heading : (outlineOf(properties) ?? style.outline);
    if (paragraph && use === 'caption' && this.isCounted) {
      const kind = labelOf(start, paragraph);
      return isHidden || kind !== 'spot'
        ? this.#own(paragraph, name, kind, null)
        : { id: name, kind, level: null };
    }
    if (paragraph === null) return { id: name, kind: 'spot', level: null };
    if (level === null || use === 'title')
      return isHidden && isWhole(start, paragraph)
        ? this.#own(paragraph, name, 'spot', null)
        : { id: name, kind: 'spot', level: null };
    const kind = this.isCounted && (style.number.list ?? '0') !== '0' ? 'counted' : 'heading';
    return isHidden ? this.#own(paragraph, name, kind, level) : { id: name, kind, level };
  }

  /** A hidden bookmark that is the place of its paragraph. */
  #own(paragraph: Element, name: string, kind: TargetKind, level: number | null): Target {
    const id = this.#paragraphs.get(paragraph) ?? name;
    this.#paragraphs.set(paragraph, id);
    this.#ofParagraphs.add(name);
    return { id, kind, level };
  }

  /** A bookmark as it stands on words; `null` for one that is not kept, or is something else's own place. */
  named(name: string): { id: string; name: string } | null {
    const known = this.#known.get(name);
    if (name === DOCUMENT_TOP || name === BOOK_CONTENTS) return null;
    if (!known || known.kind === 'note' || this.#ofParagraphs.has(name)) return null;
    return { id: name, name: known.isHidden ? '' : name };
  }

  has(name: string): boolean {
    return this.#known.has(name);
  }

  /** What a bookmark leads to. */
  target(name: string): Target {
    return (
      this.#known.get(name) ?? {
        id: name,
        kind: name === DOCUMENT_TOP || name === BOOK_CONTENTS ? 'spot' : 'gone',
        level: null,
      }
    );
  }

  /** The place that a heading or another paragraph has by its hidden bookmarks. */
  ofParagraph(paragraph: Element): string | undefined {
    return this.#paragraphs.get(paragraph);
  }

  noteId(kind: string, id: string): string {
    return noteIdOf(kind, id);
  }
}

const noteIdOf = (kind: string, id: string): string => `${kind}.${id}`;

/** A bookmark stands on all the words of its paragraph. */
function isWhole(start: Element, paragraph: Element): boolean {
  const parts = inside(paragraph).filter(({ name }) => name !== 'w:pPr');
  const [from, to] = [
    parts.indexOf(start),
    parts.findIndex(
      ({ name, attribs }) => name === 'w:bookmarkEnd' && attribs['w:id'] === start.attribs['w:id'],
    ),
  ];
  const says = (one: Element) => textContent(one).trim() !== '' || one.name === 'w:r';
  return from >= 0 && to > from + 1 && !parts.slice(0, from).some(says) && !parts.slice(to).some(says);
}

/** What of a caption a bookmark is on: its label and number, or more. */
function labelOf(start: Element, paragraph: Element): 'label' | 'labelled' | 'spot' {
  const end = inside(paragraph).find(
    ({ name, attribs }) => name === 'w:bookmarkEnd' && attribs['w:id'] === start.attribs['w:id'],
  );
  const at = paragraph.children.indexOf(start);
  const within = paragraph.children.slice(at, end ? paragraph.children.indexOf(end) : undefined);
  if (!/\bSEQ\b/.test(codeOf(within))) return 'spot';
  const counted = within.findIndex(
    (one, index) =>
      isTag(one) &&
      (one.name === 'w:fldSimple' || (isFieldEnd(one) && codeOf(within.slice(0, index)).includes('SEQ'))),
  );
  const after = within.slice(counted + 1);
  const says = (one: ChildNode) =>
    (isTag(one) && one.name === 'm:oMath') || /[^\s.:–—-]/.test(textContent(one));
  return after.some(says) ? 'labelled' : 'label';
}

/** The codes of fields among these, with the words around them. */
const codeOf = (nodes: readonly ChildNode[]): string =>
  nodes.map((one) => textContent(one) + (isTag(one) ? (one.attribs['w:instr'] ?? '') : '')).join('');

const isFieldEnd = (run: Element): boolean =>
  inside(run).some(({ name, attribs }) => name === 'w:fldChar' && attribs['w:fldCharType'] === 'end');

/** Visits every element in document order, each with the paragraph that it stands in. */
function everyElement(root: Document, visit: (element: Element, paragraph: Element | null) => void): void {
  const open: { element: Element; paragraph: Element | null }[] = [];
  const add = (parent: Document | Element, paragraph: Element | null) => {
    for (const element of inside(parent).reverse()) open.push({ element, paragraph });
  };
  add(root, null);
  for (let next = open.pop(); next; next = open.pop()) {
    const { element } = next;
    const paragraph = element.name === 'w:p' ? element : next.paragraph;
    visit(element, paragraph);
    add(element, paragraph);
  }
}
