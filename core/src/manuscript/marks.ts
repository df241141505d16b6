import type { MarkSpec } from 'prosemirror-model';
import { faultInDestination, hrefOf, recognise, type Destination } from '../destination/index.js';
import { languageTag } from '../language/index.js';
import { faultInAbout, type LinkAbout } from './about.js';
import { attrsOf } from './attrs.js';
import { parsed } from './carried.js';
import { faultInLook, lookStyle, type LinkLook } from './look.js';

/** A look of its own, for the page (`style`) and for the way through the clipboard (`data-look`). */
function lookAttributes(look: LinkLook | null): Record<string, string> {
  if (!look) return {};
  return {
    'data-look': JSON.stringify(look),
    style: lookStyle(look),
  };
}

function isLanguage(value: unknown): void {
  if (typeof value !== 'string' || languageTag(value) !== value)
    throw new RangeError(`a language is a tag of BCP 47, not ${String(value)}`);
}

const simple = (tag: string, ...also: string[]): MarkSpec => ({
  parseDOM: [tag, ...also].map((name) => ({ tag: name })),
  toDOM: () => [tag, 0],
});

/** How words in small capitals are called on a page. */
export const SMALL_CAPITALS = 'small-capitals';

/** In order of rank: a mark earlier in this list encloses those after it. */
export const marks = {
  link: {
    attrs: {
      id: { validate: 'string' },
      destination: {},
      hoverNote: { default: '', validate: 'string' },
      /** Where it departs from the look of the book's links. */
      look: { default: null as LinkLook | null },
      /** What is said of it beside its words. */
      about: { default: null as LinkAbout | null },
    },
    inclusive: false,
    parseDOM: [
      {
        tag: 'a[href]',
        // A pasted link gets its id from the editor, which mints new ones for everything that is pasted.
        getAttrs: (element: HTMLElement) => {
          const known = parsed(element.getAttribute('data-destination'));
          const recognition = recognise(element.getAttribute('href') ?? '');
          const own = faultInDestination(known) === null ? (known as Destination) : null;
          if (!own && !recognition.ok) return false;
          const look = parsed(element.getAttribute('data-look'));
          const about = parsed(element.getAttribute('data-about'));
          return {
            id: element.getAttribute('data-link') ?? '',
            destination: own ?? (recognition.ok && recognition.destination),
            hoverNote: element.getAttribute('title') ?? '',
            look: faultInLook(look) === null ? (look as LinkLook) : null,
            about: faultInAbout(about) === null ? (about as LinkAbout) : null,
          };
        },
      },
    ],
    toDOM(mark) {
      const { id, destination, hoverNote, look, about } = attrsOf.link(mark);
      const attributes = {
        href: hrefOf(destination),
        'data-link': id,
        'data-destination': JSON.stringify(destination),
        ...(hoverNote ? { title: hoverNote } : {}),
        ...lookAttributes(look),
        ...(about ? { 'data-about': JSON.stringify(about) } : {}),
      };
      return ['a', attributes, 0];
    },
  },
  bookmark: {
    attrs: { id: { validate: 'string' }, name: { default: '', validate: 'string' } },
    inclusive: false,
    excludes: '',
    parseDOM: [
      {
        tag: 'span[data-bookmark]',
        getAttrs: (element: HTMLElement) => ({ id: element.id, name: element.dataset.bookmark ?? '' }),
      },
    ],
    toDOM(mark) {
      const { id, name } = attrsOf.bookmark(mark);
      return ['span', { id, 'data-bookmark': name }, 0];
    },
  },
  /** The language of a passage, where it is another than the book's (WCAG 3.1.2). */
  language: {
    attrs: { tag: { validate: isLanguage } },
    parseDOM: [
      {
        tag: 'span[lang]',
        getAttrs: (element: HTMLElement) => {
          const tag = languageTag(element.lang);
          return tag !== null && { tag };
        },
      },
    ],
    toDOM: (mark) => ['span', { lang: attrsOf.language(mark).tag }, 0],
  },
  emphasis: simple('em', 'i'),
  strong: simple('strong', 'b'),
  struck: simple('s', 'del', 'strike'),
  small_capitals: {
    parseDOM: [
      { tag: `span.${SMALL_CAPITALS}` },
      { style: 'font-variant=small-caps' },
      { style: 'font-variant-caps=small-caps' },
    ],
    toDOM: () => ['span', { class: SMALL_CAPITALS }, 0],
  },
  code: simple('code'),
  subscript: { ...simple('sub'), excludes: 'superscript' },
  superscript: { ...simple('sup'), excludes: 'subscript' },
  /** An address that the author refused to have as a link: it is left as words. */
  unlinked: {
    inclusive: false,
    parseDOM: [{ tag: 'span[data-unlinked]' }],
    toDOM: () => ['span', { 'data-unlinked': '' }, 0],
  },
} satisfies Record<string, MarkSpec>;
