import { Fragment, type Attrs, type Mark, type Node } from 'prosemirror-model';
import type { Destination } from '../destination/index.js';
import { linkMark, markIdOf, schema, type FigureLink, type LinkArea } from '../manuscript/index.js';

/**
 * A piece of text as it is put into a book: what was moved keeps its ids, what is there already gets new ones, and what
 * leads to places within the piece leads to those of the copy. A copied bookmark to which nothing in the piece leads is
 * left out.
 *
 * @param isTaken says which ids the book has now
 */
export function copyInto(piece: Fragment, isTaken: (id: string) => boolean, mint: () => string): Fragment {
  const used = placesLedTo(piece);
  const renamed = new Map<string, string>();
  eachId(piece, (id) => {
    if (!isTaken(id) || renamed.has(id)) return;
    const fresh = mint();
    renamed.set(id, fresh).set(markIdOf(id), markIdOf(fresh));
  });
  if (renamed.size === 0) return piece;
  return renew(
    piece,
    (id) => renamed.get(id) ?? id,
    (id) => renamed.has(id) && !used.has(id),
  );
}

function eachId(piece: Fragment, found: (id: string) => void): void {
  piece.descendants((node) => {
    if (node.attrs.id) found(node.attrs.id as string);
    for (const mark of node.marks) if (mark.attrs.id) found(mark.attrs.id as string);
    if (node.type.name !== 'figure') return;
    const { link, areas } = node.attrs as { link: FigureLink | null; areas: readonly LinkArea[] };
    for (const { id } of [...(link ? [link] : []), ...areas]) found(id);
  });
}

function placesLedTo(piece: Fragment): Set<string> {
  const places = new Set<string>();
  const add = (destination: Destination | undefined) => {
    if (destination?.kind === 'place') places.add(destination.place);
  };
  piece.descendants((node) => {
    add(linkMark(node)?.attrs.destination as Destination | undefined);
    if (node.type.name === 'reference') places.add(node.attrs.place as string);
    if (node.type.name !== 'figure') return;
    const { link, areas } = node.attrs as { link: FigureLink | null; areas: readonly LinkArea[] };
    add(link?.destination);
    areas.forEach((area) => add(area.destination));
  });
  return places;
}

type Rename = (id: string) => string;

function renew(piece: Fragment, rename: Rename, isDropped: (bookmark: string) => boolean): Fragment {
  const nodes: Node[] = [];
  piece.forEach((node) => {
    const marks = node.marks.flatMap((mark) => markAnew(mark, rename, isDropped));
    nodes.push(
      node.isText
        ? node.mark(marks)
        : node.type.create(attrsAnew(node, rename), renew(node.content, rename, isDropped), marks),
    );
  });
  return Fragment.fromArray(nodes);
}

const leadAnew = (destination: Destination, rename: Rename): Destination =>
  destination.kind === 'place' ? { kind: 'place', place: rename(destination.place) } : destination;

function markAnew(mark: Mark, rename: Rename, isDropped: (bookmark: string) => boolean): Mark[] {
  const id = mark.attrs.id as string | undefined;
  if (!id) return [mark];
  if (mark.type === schema.marks.bookmark)
    return isDropped(id) ? [] : [mark.type.create({ ...mark.attrs, id: rename(id) })];
  const destination = leadAnew(mark.attrs.destination as Destination, rename);
  return [mark.type.create({ ...mark.attrs, id: rename(id), destination })];
}

/** Attributes that hold the id of something else. */
const POINTERS = ['to', 'place', 'section'] as const;

function attrsAnew(node: Node, rename: Rename): Attrs {
  const attrs: Record<string, unknown> = { ...node.attrs };
  if (attrs.id) attrs.id = rename(attrs.id as string);
  for (const name of POINTERS) if (typeof attrs[name] === 'string') attrs[name] = rename(attrs[name]);
  if (node.type.name !== 'figure') return attrs;
  const own = <Value extends FigureLink | LinkArea>(value: Value): Value => ({
    ...value,
    id: rename(value.id),
    destination: leadAnew(value.destination, rename),
  });
  const { link, areas } = node.attrs as { link: FigureLink | null; areas: readonly LinkArea[] };
  return { ...attrs, link: link && own(link), areas: areas.map(own) };
}
