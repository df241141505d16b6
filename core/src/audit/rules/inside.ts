import { distance } from 'fastest-levenshtein';
import type { Link, Place } from '../../manuscript/index.js';
import type { AuditContext, RepairOffer, Rule } from '../finding.js';

const REMOVE: RepairOffer = { label: 'Remove the link', repair: { type: 'unlink' } };
/** Kinds of places that have words by which they can be found. */
const NAMED = new Set(['chapter', 'heading', 'figure', 'table', 'bookmark']);
/** How much of the words may differ, as a share of their length. */
const FAR = 0.4;

const placeOf = ({ destination }: Link): string => (destination.kind === 'place' ? destination.place : '');

/** A link to a place that is not in the book. */
export const placeGone: Rule = {
  id: 'place-gone',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4',
  looksAt: (link) => link.kind === 'place',
  find(link, { inside }) {
    const id = placeOf(link);
    if (!inside || inside.places.has(id)) return null;
    const repairs = nearest(link, id, inside).map((place): RepairOffer => ({
      label: `Lead to “${place.words}”`,
      repair: { type: 'destination', destination: { kind: 'place', place: place.id } },
    }));
    return {
      message: 'The place that this led to is not in the book. Pick another one in “Leads to”.',
      repairs: [...repairs, REMOVE],
    };
  },
};

/** The places whose words are most like those of the link or of the id that it leads to. */
function nearest(link: Link, id: string, { places }: NonNullable<AuditContext['inside']>): Place[] {
  const wanted = [link.text, id.replace(/^missing-/, '').replace(/[-_]+/g, ' ')].map(fold).filter(Boolean);
  const far = (place: Place) => Math.min(...wanted.map((words) => share(words, fold(place.words))));
  return [...places.values()]
    .filter(({ kind, words }) => NAMED.has(kind) && words !== '')
    .map((place) => ({ place, far: far(place) }))
    .filter((one) => one.far <= FAR)
    .sort((one, other) => one.far - other.far)
    .filter(({ place }, index, all) => all.findIndex((one) => one.place.words === place.words) === index)
    .slice(0, 2)
    .map(({ place }) => place);
}

const fold = (words: string): string => words.trim().toLowerCase();
const share = (one: string, other: string): number =>
  distance(one, other) / Math.max(one.length, other.length, 1);

const FORM_WORDS = { epub: 'e-book', pdf: 'PDF', web: 'web page' } as const;

/** A link to a place of a chapter that an edition leaves out. */
export const placeLeftOut: Rule = {
  id: 'place-left-out',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4',
  looksAt: (link) => link.kind === 'place',
  find(link, { inside }) {
    const place = inside?.places.get(placeOf(link));
    if (!inside || !place) return null;
    const own = inside.leftOutOf.get(link.chapter) ?? [];
    const without = (inside.leftOutOf.get(place.chapter) ?? []).filter((form) => !own.includes(form));
    if (without.length === 0) return null;
    const forms = without.map((form) => `the ${FORM_WORDS[form]}`).join(' and ');
    return {
      message: `This leads into a chapter that is left out of ${forms}, so it leads nowhere there. Take the chapter in under Publish, or lead elsewhere.`,
      repairs: [REMOVE],
    };
  },
};

const MAKE_NOTE: RepairOffer = { label: 'Make a real note of it', repair: { type: 'make-note' } };
const allOf = ({ size }: ReadonlyMap<string, boolean>): string =>
  size > 1 ? ` Structure lists all ${size}, to be made real in one step.` : '';
const isMark = (link: Link): boolean => link.kind === 'place' && link.carrier === 'text';

/** A note that was made by hand and has no way back. */
export const noWayBack: Rule = {
  id: 'no-way-back',
  severity: 'should-fix',
  criterion: 'DPUB-ARIA 1.1 (doc-backlink)',
  looksAt: isMark,
  find: (link, { inside }) =>
    inside?.handMade.get(link.id) === false
      ? {
          message: `This note was made by hand and has no way back: readers who follow it can’t return.${allOf(inside.handMade)}`,
          repairs: [MAKE_NOTE],
        }
      : null,
};

/** A note that was made by hand. Its mark is a link on a number, which says nothing by itself. */
export const handMadeNote: Rule = {
  id: 'hand-made-note',
  severity: 'consider',
  criterion: 'DPUB-ARIA 1.1 (doc-noteref)',
  looksAt: isMark,
  find: (link, { inside }) =>
    inside?.handMade.get(link.id) === true
      ? {
          message: `This note was made by hand. A real note is numbered by itself and leads back in every form.${allOf(inside.handMade)}`,
          repairs: [MAKE_NOTE],
        }
      : null,
};
