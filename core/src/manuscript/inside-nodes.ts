import type { NodeSpec } from 'prosemirror-model';
import { carried, uncarried } from './carried.js';
import { faultInLook, type LinkLook } from './look.js';
import { RETURNS } from './structure.js';

/** What a reference reads: words of its place, its number, both, its page, above or below, or the author's own words. */
export const REFERENCE_FORMS = ['words', 'number', 'number-words', 'page', 'where', 'own'] as const;
export type ReferenceForm = (typeof REFERENCE_FORMS)[number];

/** Where a return link leads; `list` is the contents whose id stands in `place`. */
export const RETURN_LINKS = [...RETURNS, 'list'] as const;
export type ReturnLinkTo = (typeof RETURN_LINKS)[number];

const oneOf =
  (what: string, values: readonly string[]) =>
  (value: unknown): void => {
    if (!values.includes(String(value)))
      throw new RangeError(`${what} is ${values.join(', ')}, not ${String(value)}`);
  };

function isDepth(value: unknown): void {
  if (!Number.isInteger(value) || Number(value) < 1 || Number(value) > 6)
    throw new RangeError(`a depth is 1 to 6, not ${String(value)}`);
}

function isOwnLook(value: unknown): void {
  const fault = value === null ? null : faultInLook(value);
  if (fault) throw new RangeError(fault);
}

const words = { default: '', validate: 'string' };

/** An inline node without content that is carried by `<span data-…>`. */
function sign(name: string, attrs: NonNullable<NodeSpec['attrs']>, group: string): NodeSpec {
  return {
    inline: true,
    group,
    atom: true,
    attrs,
    parseDOM: [
      {
        tag: `span[data-${name}]`,
        getAttrs: (element: HTMLElement) => uncarried(element.getAttribute(`data-${name}`), attrs),
      },
    ],
    toDOM: (node) => ['span', { [`data-${name}`]: carried(node.attrs) }],
  };
}

const CONTENTS: NonNullable<NodeSpec['attrs']> = {
  id: { validate: 'string' },
  scope: { default: 'section', validate: oneOf('a scope', ['book', 'section']) },
  section: { default: null, validate: 'string|null' },
  depth: { default: 1, validate: isDepth },
  /** A return link to the list stands after each section that it lists. */
  back: { default: false, validate: 'boolean' },
  backWords: words,
  look: { default: null as LinkLook | null, validate: isOwnLook },
};

/** The nodes by which a book leads to places in itself, beside links. */
export const insideNodes = {
  /**
   * A note: the mark stands where the node stands, the remark is its content. `id` is the place of the remark; the mark
   * is the place `markIdOf(id)`. `back` are words for its way back, empty for those of the book.
   */
  note: {
    inline: true,
    group: 'noting',
    content: 'note_paragraph+',
    atom: true,
    isolating: true,
    attrs: { id: { validate: 'string' }, back: words },
    parseDOM: [
      {
        tag: 'span[data-note]',
        getAttrs: (element: HTMLElement) => ({
          id: element.getAttribute('data-note') ?? '',
          back: element.getAttribute('data-back') ?? '',
        }),
      },
    ],
    toDOM({ attrs }) {
      const { id, back } = attrs as { id: string; back: string };
      return ['span', { 'data-note': id, 'data-back': back }, 0];
    },
  },
  /** A paragraph of a note: there are no notes in notes. */
  note_paragraph: {
    content: 'inline*',
    parseDOM: [{ tag: 'span[data-note-paragraph]' }],
    toDOM: () => ['span', { 'data-note-paragraph': '' }, 0],
  },
  /** Another mark of a note: `to` is the id of the note, `back` words for the way back to this mark, empty for those of the note. */
  note_mark: sign(
    'note-mark',
    { id: { validate: 'string' }, to: { validate: 'string' }, back: words },
    'noting',
  ),
  /** Words computed from a place that also lead there. `own` holds the author's words, with `{page}` and the like. */
  reference: sign(
    'reference',
    {
      id: { validate: 'string' },
      place: { validate: 'string' },
      form: { default: 'words', validate: oneOf('a form', REFERENCE_FORMS) },
      own: words,
      hoverNote: words,
    },
    'inline',
  ),
  /** A link back. `own` are the author's words, empty for those of the language. */
  return_link: sign(
    'return-link',
    {
      id: { validate: 'string' },
      to: { default: 'contents', validate: oneOf('a return', [...RETURNS, 'list']) },
      place: { default: null, validate: 'string|null' },
      own: words,
    },
    'inline',
  ),
  /**
   * A computed list of links to headings: of the whole book, or of one section. `section` is the id of the section's
   * heading, or of a chapter; `null` is the section in which the list stands. `depth` counts levels below it.
   */
  contents: {
    group: 'block',
    atom: true,
    attrs: CONTENTS,
    parseDOM: [
      {
        tag: 'div[data-contents]',
        getAttrs: (element: HTMLElement) => uncarried(element.dataset.contents, CONTENTS),
      },
    ],
    toDOM: (node) => ['div', { 'data-contents': carried(node.attrs) }],
  },
} satisfies Record<string, NodeSpec>;

/** The nodes of a line that lead somewhere by themselves, so that no link can be laid over them. */
export const LEADING_NODES: ReadonlySet<string> = new Set(['note', 'note_mark', 'reference', 'return_link']);

/** The place of a note's own mark: what its way back leads to. */
export const markIdOf = (note: string): string => `${note}.mark`;
