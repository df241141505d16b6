import { distance } from 'fastest-levenshtein';
import { NOWHERE } from '../../destination/index.js';
import type { Link, Place } from '../../manuscript/index.js';
import { REMOVE, type AuditContext, type RepairOffer, type Rule } from '../finding.js';

/** Kinds of places that have words by which they can be found. */
const NAMED = new Set(['chapter', 'heading', 'figure', 'table', 'bookmark']);
/** How much of the words may differ, as a share of their length. */
const FAR = 0.4;

/** The place that a link leads to, by its id. */
export const placeOf = ({ destination }: Link): string =>
  destination.kind === 'place' ? destination.place : '';

/** A link to a place that is not in the book. */
export const placeGone: Rule = {
  id: 'place-gone',
  title: 'Places that are not in the book',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4',
  looksAt: (link) => link.kind === 'place',
  find(link, { inside }) {
    const id = placeOf(link);
    if (!inside || inside.places.has(id) || id === NOWHERE) return null;
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
