import type { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import type { Carried } from '../../carry-over/index.js';
import { entriesOf, pagesOf, schema, setAreas, setSpots } from '../../manuscript/index.js';
import { covers, type Goes, type PagesPlan } from './plan-pages.js';

/** The newer edition with what is taken of a plan. A link that stands where another is carried to goes. */
export function carryPages(
  fresh: Node,
  plan: PagesPlan,
  taken: (item: Carried) => boolean,
  mint: () => string,
): Transform {
  const transform = new Transform(fresh);
  const pages = pagesOf(fresh).map(({ attrs }) => attrs);
  const ids = new Set(pages.flatMap(({ areas }) => areas.map(({ id }) => id)));
  const wanted = plan.items.flatMap((item) => {
    const goes = plan.goes.get(item);
    return goes && taken(item) ? [goes] : [];
  });
  const links = wanted.filter((one) => one.kind === 'link');
  const led = new Set([
    ...links.flatMap(({ area: { destination } }) =>
      destination.kind === 'place' ? [destination.place] : [],
    ),
    ...wanted.flatMap((one) => (one.kind === 'spot' ? [one.id] : [])),
  ]);
  for (const { at, attrs } of pagesOf(fresh)) {
    const { number, areas, spots } = attrs;
    const here = links.filter(({ page }) => page === number).map(({ area }) => area);
    const stay = areas.filter((area) => !here.some((one) => covers(one, area)));
    const own = here.map((area) => {
      const id = ids.has(area.id) ? mint() : area.id;
      ids.add(id);
      return { ...area, id };
    });
    if (own.length > 0) setAreas(transform, at, [...stay, ...own]);
    // Those that were carried over before are there.
    const more = [...plan.places.values()].filter(
      ({ page, spot }) => page === number && led.has(spot.id) && !spots.some(({ id }) => id === spot.id),
    );
    if (more.length > 0) setSpots(transform, at, [...spots, ...more.map(({ spot }) => spot)]);
  }
  for (const one of wanted) if (one.kind === 'entry') addEntry(transform, one, mint);
  return transform;
}

/** Puts an entry of the outline before the first one that leads further on. */
function addEntry(
  transform: Transform,
  { entry, title, page }: Goes & { kind: 'entry' },
  mint: () => string,
): void {
  const { doc } = transform;
  const numbers = new Map(pagesOf(doc).map(({ attrs }) => [attrs.id, attrs.number]));
  const after = entriesOf(doc).find(({ attrs }) => {
    const number = numbers.get(attrs.page) ?? 0;
    return number > page || (number === page && (attrs.y ?? 0) > (entry.y ?? 0));
  });
  const node = schema.node(
    'entry',
    { ...entry, id: mint(), from: null },
    title === '' ? [] : [schema.text(title)],
  );
  transform.insert(after?.at ?? doc.content.size, node);
}
