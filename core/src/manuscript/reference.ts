import { phrases } from '../language/index.js';
import { attrsOf } from './attrs.js';
import type { Saying } from './book.js';
import { REFERENCE_FORMS, type ReferenceForm } from './inside-nodes.js';
import type { Place } from './place.js';

/** What a reference is asked to read. */
export interface ReferenceAsk {
  form: ReferenceForm;
  /** The author's words, in which `{words}`, `{number}`, `{page}` and `{where}` are computed. */
  own: string;
}

/** What the words of references depend on beside their place. */
export interface ReferenceSurroundings {
  language: string;
  /** The page label of a place. `null` where a form has no pages: a number or words are read instead. */
  pageOf: ((place: string) => string) | null;
}

/** What can be computed within the author's own words, by the form that it is. */
export const OWN_PARTS = { words: '{words}', number: '{number}', page: '{page}', where: '{where}' } as const;
type Part = keyof typeof OWN_PARTS;
const OWN_PART = /\{(words|number|page|where)\}/g;

/**
 * The author's words in their order, the parts in them that are computed by their forms. With no words of the author's own, a reference reads
 * those of its place.
 */
export function composedOf({ form, own }: ReferenceAsk): ({ said: string } | { form: Part })[] {
  const whole = form === 'number-words' ? '{number} {words}' : own.trim() === '' ? OWN_PARTS.words : own;
  // What a pattern captures stands between what it divides.
  return whole
    .split(OWN_PART)
    .map((part, at) => (at % 2 === 1 ? { form: part as Part } : { said: part }))
    .filter((part) => !('said' in part) || part.said !== '');
}

/** The forms that mean something for a place: no number where there is none, no words where nothing can be quoted. */
export function formsFor({ kind, text, label }: Pick<Place, 'kind' | 'text' | 'label'>): ReferenceForm[] {
  const quotable = text !== '' && kind !== 'note';
  const meant: Record<ReferenceForm, boolean> = {
    words: quotable,
    number: label !== '',
    'number-words': label !== '' && quotable,
    page: kind !== 'top',
    where: kind !== 'top' && kind !== 'contents',
    own: true,
  };
  return REFERENCE_FORMS.filter((form) => meant[form]);
}

/**
 * What a reference reads at a spot of the book. A form that means nothing there any more reads as the nearest one that
 * does: a page as the number, a number as the words, and where there are none, that it stands above or below.
 *
 * @param order where the reference stands, by `orderOf`
 */
export function referenceWords(
  { form, own }: ReferenceAsk,
  place: Place,
  order: number,
  { language, pageOf }: ReferenceSurroundings,
): string {
  const said = phrases(language);
  const parts: Record<Part, () => string> = {
    words: () => place.text || place.words || parts.where(),
    number: () => place.label || parts.words(),
    where: () => (place.order <= order ? said.above : said.below),
    page: () => (pageOf ? `${said.page} ${pageOf(place.id)}` : parts.number()),
  };
  switch (form) {
    case 'number-words':
      return [place.label, parts.words()].filter(Boolean).join(' ');
    case 'own':
      return own.trim() === '' ? parts.words() : own.replace(OWN_PART, (_, part: Part) => parts[part]());
    default:
      return parts[form]();
  }
}

/** True for a reference whose words depend on pages. */
export const readsPage = ({ form, own }: ReferenceAsk): boolean =>
  form === 'page' || (form === 'own' && own.includes(OWN_PARTS.page));

/** How the references of a book read: what `Saying` is for its links and its text. */
export function sayingOf(
  places: ReadonlyMap<string, Place>,
  orders: ReadonlyMap<string, number>,
  surroundings: ReferenceSurroundings,
): Saying {
  return (node) => {
    const reference = attrsOf.reference(node);
    const place = places.get(reference.place);
    return place ? referenceWords(reference, place, orders.get(reference.id) ?? 0, surroundings) : '';
  };
}
