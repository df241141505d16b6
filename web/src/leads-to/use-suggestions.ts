import { useMemo } from 'react';
import { orderAt } from '../book/said.js';
import { useBook } from '../book/store.js';
import { useRecentDestinations } from '../editor/state/recent-destinations.js';
import { useEditor } from '../editor/state/store.js';
import { suggestionsFor, type Asked, type Known, type Suggestion } from './suggestions.js';

/**
 * What the field “Leads to” offers for what is typed. With `null` nothing is asked: a field that nobody types in costs
 * nothing while the book changes.
 */
export function useSuggestions(
  typed: string | null,
  isWords: boolean,
  { onlyPlaces = false, words = '', spots = NO_SPOTS }: Partial<Asked & Pick<Known, 'spots'>> = {},
): Suggestion[] {
  const links = useBook((store) => store.links);
  const places = useBook((store) => store.places);
  const surroundings = useBook((store) => store.surroundings);
  const chapters = useBook((store) => store.book?.chapters);
  const offered = useBook((store) => store.book?.structure.offered ?? 6);
  const pages = useBook((store) => store.pages ?? undefined);
  const lately = useRecentDestinations((store) => store.recent);
  return useMemo(() => {
    if (typed === null) return [];
    const { view, chapter } = useEditor.getState();
    const titles = new Map(chapters?.map(({ id, title }) => [id, title]));
    const order = orderAt(chapter, view?.state.selection.from ?? 0);
    const recent = lately.flatMap((one) => (one.kind === 'place' ? [one.place] : []));
    const search = { places, offered, recent, titles, pages, order };
    return suggestionsFor(
      { typed, isWords, onlyPlaces, words },
      { search, links, surroundings, lately, spots },
    );
  }, [
    typed,
    isWords,
    onlyPlaces,
    links,
    places,
    surroundings,
    chapters,
    offered,
    lately,
    words,
    spots,
    pages,
  ]);
}

const NO_SPOTS: Known['spots'] = [];
