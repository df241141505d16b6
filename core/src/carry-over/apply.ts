import { Transform } from 'prosemirror-transform';
import { keepIdsUnique } from '../edits/index.js';
import type { Destination } from '../destination/index.js';
import { attrsOf, schema, type ReadBook } from '../manuscript/index.js';
import type { CarryPlan, Carried, Spot } from './plan.js';

/** A chapter of the newer book with what was carried to it. */
export interface CarriedTo {
  id: string;
  transform: Transform;
}

/** What the files of the older book are called in the newer one, by their ids. */
export type FilesNow = ReadonlyMap<string, string>;

/** Carries over what is taken of a plan: the steps for each chapter of the newer book. Everything keeps its id, so that what is said of it holds. */
export function carryOver(
  fresh: ReadBook,
  plan: CarryPlan,
  taken: (item: Carried) => boolean,
  files: FilesNow,
  mint: () => string,
): CarriedTo[] {
  const wanted = plan.items.flatMap((item) => {
    const spot = plan.spots.get(item);
    return spot && taken(item) ? [spot] : [];
  });
  return fresh.chapters.flatMap(({ id, doc }) => {
    const transform = new Transform(doc);
    // From the end on, so that what stands before keeps its position; marks before what is put in between words.
    const own = wanted
      .filter(({ chapter }) => chapter === id)
      .sort((one, other) => other.from - one.from || Number(isPoint(other)) - Number(isPoint(one)));
    for (const spot of own) put(transform, spot, plan.places, files);
    if (!transform.docChanged) return [];
    keepIdsUnique(transform, mint);
    return [{ id, transform }];
  });
}

const isPoint = ({ made }: Spot): boolean => 'node' in made;

function put(
  transform: Transform,
  { made, from, to }: Spot,
  places: CarryPlan['places'],
  files: FilesNow,
): void {
  const now = (destination: Destination): Destination => {
    if (destination.kind === 'place')
      return { ...destination, place: places.get(destination.place) ?? destination.place };
    if (destination.kind === 'file')
      return { ...destination, enclosure: files.get(destination.enclosure) ?? destination.enclosure };
    return destination;
  };
  switch (made.kind) {
    case 'link': {
      const attrs = attrsOf.link(made.mark);
      transform.removeMark(from, to, schema.marks.link);
      transform.addMark(
        from,
        to,
        schema.marks.link.create({ ...attrs, destination: now(attrs.destination) }),
      );
      return;
    }
    case 'bookmark':
      transform.addMark(from, to, made.mark);
      return;
    case 'picture link': {
      const { link } = attrsOf.figure(made.figure);
      if (link) transform.setNodeAttribute(from, 'link', { ...link, destination: now(link.destination) });
      return;
    }
    case 'areas':
      transform.setNodeAttribute(
        from,
        'areas',
        attrsOf.figure(made.figure).areas.map((area) => ({ ...area, destination: now(area.destination) })),
      );
      return;
    case 'reference': {
      const { place } = attrsOf.reference(made.node);
      transform.insert(
        from,
        made.node.type.create({ ...made.node.attrs, place: places.get(place) ?? place }),
      );
      return;
    }
    case 'mark of a note': {
      const { to: note } = attrsOf.noteMark(made.node);
      transform.insert(from, made.node.type.create({ ...made.node.attrs, to: places.get(note) ?? note }));
      return;
    }
    default:
      transform.insert(from, made.node.mark([]));
  }
}
