import { useMemo } from 'react';
import { orderAt } from '../book/said.js';
import { useBook } from '../book/store.js';
import { useRecentDestinations } from '../editor/state/recent-destinations.js';
import { useEditor } from '../editor/state/store.js';
import { suggestionsFor, type Suggestion } from './suggestions.js';

/**
 * What the field “Leads to” offers for what is typed. With `null` nothing is asked: a field that nobody types in costs
 * nothing while the book changes.
 */
export function useSuggestions(
  typed: string | null,
  isWords: boolean,
  onlyPlaces = false,
  /** The words that are to become a link; empty where there are none. */
  words = '',
): Suggestion[] {
  const links = useBook((store) => store.links);
  const places = useBook((store) => store.places);
  const surroundings = useBook((store) => store.surroundings);
  const chapters = useBook((store) => store.book?.chapters);
  const offered = useBook((store) => store.book?.structure.offered ?? 6);
  const lately = useRecentDestinations((store) => store.recent);
  return useMemo(() => {
    if (typed === null) return [];
    const { view, chapter } = useEditor.getState();
    const titles = new Map(chapters?.map(({ id, title }) => [id, title]));
    const order = orderAt(chapter, view?.state.selection.from ?? 0);
    const recent = lately.flatMap((one) => (one.kind === 'place' ? [one.place] : []));
    const search = { places, offered, recent, titles, order };
    return suggestionsFor({ typed, isWords, onlyPlaces, words }, { search, links, surroundings, lately });
  }, [typed, isWords, onlyPlaces, links, places, surroundings, chapters, offered, lately, words]);
}
