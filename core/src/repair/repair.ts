import type { Mark, Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import type { ChangedChapter } from '../edits/index.js';
import type { Destination } from '../destination/index.js';
import {
  hasAreas,
  attrsOf,
  flatText,
  linkHeldBy,
  linkMark,
  linksOfChapter,
  mapOf,
  schema,
  setAreas,
  SMALLEST_ON_PAGE,
  SMALLEST_SIDE,
  withinPicture,
  type Box,
  type Link,
  type LinkAbout,
  type LinkArea,
  type LinkLook,
  type ReadBook,
  type ReferenceForm,
} from '../manuscript/index.js';
import { trimmedEnds } from './ends.js';

/** A change to one link, as data: the editor, the Register and the server apply the same. */
export type Repair =
  | { type: 'destination'; destination: Destination }
  | { type: 'text'; text: string }
  | { type: 'hover-note'; hoverNote: string }
  | { type: 'look'; look: LinkLook | null }
  | { type: 'trim' }
  | { type: 'unlink' }
  /** Puts another link behind this one, in brackets; its id is `id` and that of this one. */
  | { type: 'beside'; destination: Destination; words: string; id: string }
  /** What is said of the link beside its words. */
  | { type: 'about'; about: LinkAbout | null }
  /** Makes one link of this one and the one that follows it in its line, with all that stands between. */
  | { type: 'join'; link: string }
  /** Makes a live reference of words that lead to a place. */
  | { type: 'reference'; form: ReferenceForm }
  /** Gives a part of a picture another box. */
  | ({ type: 'area-box' } & Box)
  /** Of the mark of a hand-made note: it is a change to the whole book, see `makeNotes`. */
  | { type: 'make-note' };

/**
 * Adds the steps of a repair to a transform (an editor's transaction is one). `link` must have been read
 * from `transform.doc`.
 */
export function applyRepair(transform: Transform, link: Link, repair: Repair): void {
  const node = transform.doc.nodeAt(link.from);
  if (node && hasAreas(node)) return repairFigure(transform, link, repair, node);
  if (node?.type.name === 'reference') return repairReference(transform, link, repair);
  switch (repair.type) {
    case 'destination':
      return remark(transform, link, { destination: repair.destination });
    case 'hover-note':
      return remark(transform, link, { hoverNote: repair.hoverNote });
    case 'look':
      return remark(transform, link, { look: repair.look });
    case 'text':
      return setText(transform, link, repair.text);
    case 'trim':
      return trim(transform, link);
    case 'unlink':
      return unlink(transform, link);
    case 'beside':
      return putBeside(transform, link, repair);
    case 'about':
      return remark(transform, link, { about: repair.about });
    case 'join':
      return join(transform, link, repair.link);
    case 'reference':
      return makeReference(transform, link, repair.form);
    case 'area-box':
    case 'make-note':
      // A box is of a part of a picture; with a note more than one link changes: that is for `makeNotes`.
      return;
  }
}

/** A reference that leads out of the book becomes a link on its words; one that is no link any more leaves them. */
function repairReference(
  transform: Transform,
  { from, to, text, id, hoverNote }: Link,
  repair: Repair,
): void {
  const set = (name: string, value: unknown) => void transform.setNodeAttribute(from, name, value);
  if (repair.type === 'hover-note') set('hoverNote', repair.hoverNote);
  else if (repair.type === 'text') {
    set('form', 'own');
    set('own', repair.text);
  } else if (repair.type === 'destination' && repair.destination.kind === 'place')
    set('place', repair.destination.place);
  else if (repair.type === 'destination' || repair.type === 'unlink') {
    const { marks } = transform.doc.nodeAt(from) ?? { marks: [] };
    const link =
      repair.type === 'destination'
        ? schema.marks.link.create({ id, destination: repair.destination, hoverNote }).addToSet(marks)
        : marks;
    transform.replaceWith(from, to, text === '' ? [] : schema.text(text, link));
  }
}

function repairFigure(transform: Transform, link: Link, repair: Repair, node: Node): void {
  if (link.carrier === 'area') return repairArea(transform, link, repair, node);
  const { link: old, decorative } = attrsOf.figure(node);
  if (!old) return;
  const set = (name: string, value: unknown) => void transform.setNodeAttribute(link.from, name, value);
  if (repair.type === 'destination') set('link', { ...old, destination: repair.destination });
  else if (repair.type === 'hover-note') set('link', { ...old, hoverNote: repair.hoverNote });
  else if (repair.type === 'about') set('link', { ...old, about: repair.about });
  else if (repair.type === 'unlink') set('link', null);
  else if (repair.type === 'text') {
    set('alt', repair.text);
    if (decorative) set('decorative', false);
  }
}

function repairArea(transform: Transform, { id, from }: Link, repair: Repair, node: Node): void {
  const { areas } = attrsOf.figure(node);
  const change = (more: Partial<LinkArea>) =>
    setAreas(
      transform,
      from,
      areas.map((area) => (area.id === id ? { ...area, ...more } : area)),
    );
  if (repair.type === 'destination') change({ destination: repair.destination });
  else if (repair.type === 'hover-note') change({ hoverNote: repair.hoverNote });
  else if (repair.type === 'text') change({ name: repair.text });
  else if (repair.type === 'area-box') {
    const { x, y, width, height } = repair;
    change(
      withinPicture({ x, y, width, height }, node.type.name === 'page' ? SMALLEST_ON_PAGE : SMALLEST_SIDE),
    );
  } else if (repair.type === 'unlink')
    setAreas(
      transform,
      from,
      areas.filter((area) => area.id !== id),
    );
}

function markOf(transform: Transform, link: Link): Mark {
  const node = transform.doc.nodeAt(link.from);
  const mark = node && linkMark(node);
  if (!mark) throw new RangeError(`no link ${link.id} at position ${link.from}`);
  return mark;
}

function remark(transform: Transform, link: Link, attrs: Record<string, unknown>): void {
  const mark = markOf(transform, link);
  transform.addMark(link.from, link.to, mark.type.create({ ...mark.attrs, ...attrs }));
}

/** Only what differs is replaced, so that emphasis within words that stay is kept. */
function setText(transform: Transform, link: Link, text: string): void {
  const first = transform.doc.nodeAt(link.from);
  if (!first || text === '') return;
  const old = flatText(transform.doc, link.from, link.to);
  if (link.carrier === 'picture' || old.length !== link.to - link.from || old.includes('\ufffc')) {
    if (first.type.name === 'picture') transform.setNodeAttribute(link.from, 'alt', text);
    else transform.replaceWith(link.from, link.to, schema.text(text, first.marks));
    return;
  }
  const start = commonStart(old, text);
  const end = commonStart(reverse(old.slice(start)), reverse(text.slice(start)));
  const marks = transform.doc.resolve(link.from + Math.min(start, old.length - 1) + 1).marks();
  const own = markOf(transform, link);
  const inserted = text.slice(start, text.length - end);
  const nodes = inserted === '' ? [] : [schema.text(inserted, own.addToSet(marks))];
  transform.replaceWith(link.from + start, link.to - end, nodes);
}

const reverse = (text: string): string => [...text].reverse().join('');

function commonStart(one: string, other: string): number {
  let length = 0;
  while (length < one.length && length < other.length && one[length] === other[length]) length++;
  return length;
}

function trim(transform: Transform, link: Link): void {
  const text = flatText(transform.doc, link.from, link.to);
  if (text.length !== link.to - link.from) return;
  const { start, end } = trimmedEnds(text);
  if (start >= end) return;
  const mark = markOf(transform, link);
  transform.removeMark(link.from, link.from + start, mark.type);
  transform.removeMark(link.from + end, link.to, mark.type);
}

const ADDRESS = /\S[.@]\S|:\/\//;

/** The words stay. An address among them is marked so that it does not become a link again by itself. */
function unlink(transform: Transform, link: Link): void {
  const mark = markOf(transform, link);
  transform.removeMark(link.from, link.to, mark.type);
  if (ADDRESS.test(link.text)) transform.addMark(link.from, link.to, schema.marks.unlinked.create());
  removeEmptyAnchor(transform, link.from);
}

function putBeside(
  transform: Transform,
  { to, id: own }: Link,
  { destination, words, id }: Repair & { type: 'beside' },
): void {
  const mark = schema.marks.link.create({ id: `${id}-${own}`, destination, hoverNote: '' });
  transform.insert(to, [schema.text(' ('), schema.text(words, [mark]), schema.text(')')]);
}

/** The words of both links and what stands between lead where the first one leads; a picture among words is decoration then. */
function join(transform: Transform, link: Link, other: string): void {
  const { doc } = transform;
  const at = doc.resolve(link.to);
  const line = at.parent;
  let end = -1;
  line.forEach((child, offset) => {
    if (linkHeldBy(child)?.id === other) end = at.start() + offset + child.nodeSize;
  });
  if (end < link.to || !line.isTextblock) return;
  transform.addMark(link.from, end, markOf(transform, link));
  const hasWords = /\p{L}|\p{N}/u.test(doc.textBetween(link.from, end));
  if (!hasWords) return;
  doc.nodesBetween(link.from, end, (node, position) => {
    if (node.type.name !== 'picture' || attrsOf.picture(node).decorative) return;
    transform.setNodeAttribute(position, 'decorative', true);
  });
}

function makeReference(
  transform: Transform,
  { destination, from, to, id, hoverNote }: Link,
  form: ReferenceForm,
): void {
  if (destination.kind !== 'place') return;
  const marks = markOf(transform, { from } as Link).removeFromSet(transform.doc.nodeAt(from)?.marks ?? []);
  const node = schema.node(
    'reference',
    { id, place: destination.place, form, own: '', hoverNote },
    undefined,
    marks,
  );
  transform.replaceWith(from, to, node);
}

/** An anchor that only carried a link without words has no use once the link is gone. */
function removeEmptyAnchor(transform: Transform, position: number): void {
  const node = transform.doc.nodeAt(position);
  if (node?.type.name === 'anchor' && !node.attrs.id) transform.delete(position, position + 1);
}

/** The chapters in which a repair changed anything, and how many links it changed. */
export interface BookRepair {
  chapters: ChangedChapter[];
  changed: number;
}

/** A link that is to be repaired, as it was when that was planned. */
export interface Planned {
  link: string;
  was: { href: string; text: string };
  repairs: Repair[];
}

/** Repairs links as it was planned; those that are not as they were are left, and so are those that are gone. */
export function repairPlanned(book: ReadBook, planned: readonly Planned[]): BookRepair {
  const byLink = new Map(planned.map((one) => [one.link, one]));
  const result: BookRepair = { chapters: [], changed: 0 };
  const { say } = mapOf(book);
  for (const chapter of book.chapters) {
    const transform = new Transform(chapter.doc);
    const links = linksOfChapter(chapter.doc, chapter.id, say).sort((one, other) => other.from - one.from);
    for (const link of links) {
      const plan = byLink.get(link.id);
      if (!plan || plan.was.href !== link.href || plan.was.text !== link.text) continue;
      const steps = transform.steps.length;
      for (const [index, repair] of plan.repairs.entries()) {
        const now = index === 0 ? link : linkNow(transform.doc, link);
        if (now) applyRepair(transform, now, repair);
      }
      if (transform.steps.length > steps) result.changed += 1;
    }
    if (transform.docChanged) result.chapters.push({ id: chapter.id, doc: transform.doc, transform });
  }
  return result;
}

/** A link after a repair of it: it begins where it began, and ends where its mark does now. */
function linkNow(doc: Node, link: Link): Link | null {
  const node = doc.nodeAt(link.from);
  if (node && hasAreas(node)) return link;
  const at = doc.resolve(link.from);
  let to = -1;
  at.parent.forEach((child, offset) => {
    if (linkHeldBy(child)?.id === link.id) to = at.start() + offset + child.nodeSize;
  });
  return to < 0 ? null : { ...link, to };
}

/**
 * Repairs every link that is picked. `repairFor` gives the repair of a link or `null` to leave it.
 * Links are taken from the end of each chapter, so that earlier positions hold.
 */
export function repairBook(book: ReadBook, repairFor: (link: Link) => Repair | null): BookRepair {
  const result: BookRepair = { chapters: [], changed: 0 };
  const { say } = mapOf(book);
  for (const chapter of book.chapters) {
    const transform = new Transform(chapter.doc);
    const links = linksOfChapter(chapter.doc, chapter.id, say).sort((one, other) => other.from - one.from);
    for (const link of links) {
      const repair = repairFor(link);
      if (!repair) continue;
      const steps = transform.steps.length;
      applyRepair(transform, link, repair);
      if (transform.steps.length > steps) result.changed += 1;
    }
    if (transform.docChanged) result.chapters.push({ id: chapter.id, doc: transform.doc, transform });
  }
  return result;
}
