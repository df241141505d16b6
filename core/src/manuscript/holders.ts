import type { Attrs, Fragment, Mark, Node } from 'prosemirror-model';
import type { Transform } from 'prosemirror-transform';
import type { Destination } from '../destination/index.js';
import { attrsOf, idOf, type FigureAttrs, type FigureLink, type LinkAttrs } from './attrs.js';
import type { LinkArea } from './area.js';
import { setAreas, setSpots } from './area-step.js';
import { markIdOf } from './inside-nodes.js';
import { hasAreas, type GroundPageAttrs, type PageSpot } from './page.js';

// The one home of three questions: what holds an id, what leads where, and how an id is renamed.

/** An id as it stands in the attributes of a node: `path` reads like `areas[0].id`. What it is, is still to be looked at. */
export interface HeldId {
  path: string;
  id: unknown;
}

/**
 * The ids that the attributes of a node hold: its own, of a note its mark's too, of a figure those of its link and its
 * areas, of a page those of its areas and its spots. They may be JSON that nobody has looked at yet.
 */
export function idsInAttrs(type: string, attrs: Attrs): HeldId[] {
  const held: HeldId[] = [];
  if (attrs.id != null) held.push({ path: 'id', id: attrs.id });
  if (type === 'note') held.push({ path: 'id', id: markIdOf(String(attrs.id)) });
  const { link, areas, spots } = attrs as Partial<FigureAttrs & GroundPageAttrs>;
  if (type === 'figure' && link) held.push({ path: 'link.id', id: link.id });
  if (type !== 'figure' && type !== 'page') return held;
  areas?.forEach(({ id }, index) => held.push({ path: `areas[${index}].id`, id }));
  spots?.forEach(({ id }, index) => held.push({ path: `spots[${index}].id`, id }));
  return held;
}

/** The ids that a node holds by itself, in its attributes and its marks; those of what is in it are not among them. */
export function idsHeldBy(node: Node): string[] {
  const own = idsInAttrs(node.type.name, node.attrs).map(({ id }) => id as string);
  const marked = node.marks.map(idOf);
  return [...own, ...marked].filter((id): id is string => Boolean(id));
}

/** Every id that stands in a text, in its order; a link over several nodes tells its id at each. */
export function idsIn(content: Node | Fragment): string[] {
  const ids: string[] = [];
  content.descendants((node) => {
    ids.push(...idsHeldBy(node));
  });
  return ids;
}

/** The link mark of an inline node, if it has one. */
export function linkMark(node: Node): Mark | undefined {
  return node.marks.find((mark) => mark.type.name === 'link');
}

/** The link that an inline node carries: a reference by itself, anything else by its link mark. */
export function linkHeldBy(node: Node): LinkAttrs | null {
  if (node.type.name !== 'reference') {
    const mark = linkMark(node);
    return mark ? attrsOf.link(mark) : null;
  }
  const { id, place, hoverNote } = attrsOf.reference(node);
  return { id, destination: { kind: 'place', place }, hoverNote, look: null, about: null };
}

/** The links of a figure or a page: that of the whole picture first, then its areas in their order. */
export function linksOnFigure(figure: Node): (FigureLink | LinkArea)[] {
  const { link = null, areas } = attrsOf.figure(figure);
  return link ? [link, ...areas] : [...areas];
}

/** The attribute by which a node leads to something of the book, by the node's type. */
const POINTERS: Readonly<Record<string, string>> = {
  note_mark: 'to',
  reference: 'place',
  return_link: 'place',
  contents: 'section',
  entry: 'page',
};

/** Where a node leads by itself, as ids of places of the same book; what is in it is not looked at. */
export function placesLedToBy(node: Node): string[] {
  const { name } = node.type;
  const pointer: unknown = node.attrs[POINTERS[name] ?? ''];
  const links: { destination: Destination }[] = hasAreas(node) ? linksOnFigure(node) : [];
  const marked = linkMark(node);
  if (marked) links.push(attrsOf.link(marked));
  const places = links.flatMap(({ destination }) =>
    destination.kind === 'place' ? [destination.place] : [],
  );
  return typeof pointer === 'string' ? [...places, pointer] : places;
}

/** The mark that a `note` or a `note_mark` stands for: the id of the mark, and the note it is of. */
export function noteMarkOf(node: Node): { id: string; of: string } {
  if (node.type.name === 'note_mark') {
    const { id, to } = attrsOf.noteMark(node);
    return { id, of: to };
  }
  const { id } = attrsOf.note(node);
  return { id: markIdOf(id), of: id };
}

/** Says what an id is called from now on; the same id leaves things as they are. */
export type Rename = (id: string) => string;

/** The links of a figure or a page with other ids; each id is asked for once, that of the whole picture first. */
export function withFigureIds(
  { link = null, areas }: Pick<FigureAttrs, 'areas'> & Partial<Pick<FigureAttrs, 'link'>>,
  idFor: Rename,
): Pick<FigureAttrs, 'link' | 'areas'> {
  const own = <Value extends FigureLink | LinkArea>(value: Value): Value => {
    const id = idFor(value.id);
    return id === value.id ? value : { ...value, id };
  };
  return { link: link && own(link), areas: same(areas, areas.map(own)) };
}

/** The spots of a page with other ids. */
export const withSpotIds = (spots: readonly PageSpot[], idFor: Rename): readonly PageSpot[] =>
  same(
    spots,
    spots.map((spot) => {
      const id = idFor(spot.id);
      return id === spot.id ? spot : { ...spot, id };
    }),
  );

/** The list as it was where nothing in it has changed. */
function same<Item>(before: readonly Item[], now: readonly Item[]): readonly Item[] {
  return now.every((item, index) => item === before[index]) ? before : now;
}

const leadingTo = (destination: Destination, rename: Rename): Destination => {
  if (destination.kind !== 'place') return destination;
  const place = rename(destination.place);
  return place === destination.place ? destination : { kind: 'place', place };
};

function ledElsewhere<Value extends { destination: Destination }>(value: Value, rename: Rename): Value {
  const destination = leadingTo(value.destination, rename);
  return destination === value.destination ? value : { ...value, destination };
}

/** The attributes of a node in which ids were renamed: those that it holds, and those to which it leads. */
function attrsRenamed(node: Node, rename: Rename): Record<string, unknown> {
  const { name } = node.type;
  const attrs: Record<string, unknown> = { ...node.attrs };
  const id = idOf(node);
  if (id !== null) attrs.id = rename(id);
  const pointer = POINTERS[name];
  if (pointer && typeof attrs[pointer] === 'string') attrs[pointer] = rename(attrs[pointer]);
  if (!hasAreas(node)) return attrs;
  const { link, areas } = withFigureIds(attrsOf.figure(node), rename);
  if (name === 'figure') attrs.link = link && ledElsewhere(link, rename);
  else attrs.spots = withSpotIds(attrsOf.page(node).spots, rename);
  attrs.areas = same(
    areas,
    areas.map((area) => ledElsewhere(area, rename)),
  );
  return attrs;
}

function markRenamed(mark: Mark, rename: Rename): Mark {
  const id = idOf(mark);
  if (id === null) return mark;
  const renamed = { ...mark.attrs, id: rename(id) };
  return mark.type.create(mark.type.name === 'link' ? ledElsewhere(renamed as LinkAttrs, rename) : renamed);
}

/** A node in which ids were renamed, with other content; a text keeps its words. */
export function renamed(node: Node, rename: Rename, content: Fragment = node.content): Node {
  const marks = node.marks.map((mark) => markRenamed(mark, rename));
  return node.isText ? node.mark(marks) : node.type.create(attrsRenamed(node, rename), content, marks);
}

/** Adds the steps that give a place of a text another id: whatever leads to it in this text goes on leading there. */
export function renameId(transform: Transform, id: string, fresh: string): void {
  const rename: Rename = (one) => (one === id ? fresh : one === markIdOf(id) ? markIdOf(fresh) : one);
  transform.doc.descendants((node, at) => {
    const attrs = attrsRenamed(node, rename);
    for (const [name, value] of Object.entries(attrs)) {
      if (value === node.attrs[name]) continue;
      if (name === 'areas') setAreas(transform, at, value as readonly LinkArea[]);
      else if (name === 'spots') setSpots(transform, at, value as readonly PageSpot[]);
      else transform.setNodeAttribute(at, name, value);
    }
    for (const mark of node.marks) {
      const now = markRenamed(mark, rename);
      if (now.eq(mark)) continue;
      transform.removeMark(at, at + node.nodeSize, mark);
      transform.addMark(at, at + node.nodeSize, now);
    }
  });
}
