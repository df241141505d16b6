import type { Transform } from 'prosemirror-transform';
import type { Destination } from '../../destination/index.js';
import {
  boxAround,
  pagesOf,
  setAreas,
  setSpots,
  type AreaFrame,
  type LinkArea,
  type PageSpot,
} from '../../manuscript/index.js';
import type { OughtToBeLink, SpotToMake } from './ought.js';

/** What is to become a link, with what only the author knows of it. */
export interface LinkToMake extends Pick<
  OughtToBeLink,
  'page' | 'also' | 'words' | 'lines' | 'isPicture' | 'spot'
> {
  name: string;
  /** `null` for one that leads to the spot which is made for it. */
  destination: Destination | null;
}

/**
 * Makes links on pages, and the spots that they lead to: links to the same spot have one.
 *
 * @param frame of links on words; pictures are seen by themselves
 */
export function makeLinks(
  transform: Transform,
  wanted: readonly LinkToMake[],
  frame: AreaFrame | null,
  mint: () => string,
): void {
  const spots = new Map<string, PageSpot>();
  const keyOf = ({ page, x, y }: SpotToMake) => `${page} ${x} ${y}`;
  for (const { spot } of wanted)
    if (spot && !spots.has(keyOf(spot)))
      spots.set(keyOf(spot), { id: mint(), name: spot.name, x: spot.x, y: spot.y, zoom: null });
  const leadsTo = ({ destination, spot }: LinkToMake): Destination | null => {
    const made = spot && spots.get(keyOf(spot));
    return made ? { kind: 'place', place: made.id } : destination;
  };
  for (const { at, attrs } of pagesOf(transform.doc)) {
    const { number } = attrs;
    const areas = wanted
      .filter(({ page, also }) => page === number || also.includes(number))
      .flatMap((link): LinkArea[] => {
        const destination = leadsTo(link);
        if (!destination) return [];
        const { lines, words, name, isPicture } = link;
        const made = { id: mint(), ...boxAround(lines), name, hoverNote: '', destination };
        return [isPicture ? { ...made, frame: null } : { ...made, frame, lines, words }];
      });
    if (areas.length > 0) setAreas(transform, at, [...attrs.areas, ...areas]);
    const here = [...spots].filter(([key]) => key.startsWith(`${number} `)).map(([, spot]) => spot);
    if (here.length > 0) setSpots(transform, at, [...attrs.spots, ...here]);
  }
}
