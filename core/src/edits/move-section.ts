import type { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { schema, sectionsOf } from '../manuscript/index.js';

/** Where a section goes: before another section of a chapter, or to the chapter's end. Sections by the ids of their headings. */
export interface SectionMove {
  from: { chapter: string; section: string };
  to: { chapter: string; before: string | null };
}

type Docs = ReadonlyMap<string, Node>;

/** The changes of the chapters that a move concerns, or in words why it can't be. */
export function moveSection(docs: Docs, move: SectionMove): Map<string, Transform> | { refused: string } {
  const { from, to } = move;
  const [source, target] = [docs.get(from.chapter), docs.get(to.chapter)];
  if (!source || !target) return { refused: 'There is no such chapter any more.' };
  if (from.chapter === to.chapter) {
    const transform = new Transform(source);
    const refused = moveWithin(transform, from.section, to.before);
    return refused === null ? new Map([[from.chapter, transform]]) : { refused };
  }
  const section = sectionsOf(source).find(({ id }) => id === from.section);
  const at = positionIn(target, to.before);
  if (!section || at === null) return { refused: 'There is no such section any more.' };
  const piece = source.slice(section.from, section.to).content;
  const cut = new Transform(source);
  cut.delete(section.from, section.to);
  if (cut.doc.childCount === 0) cut.insert(0, schema.node('paragraph'));
  return new Map([
    [from.chapter, cut],
    [to.chapter, new Transform(target).insert(at, piece)],
  ]);
}

/** Moves a section within its chapter; gives `null`, or in words why it can't be. Adds its steps to the transform. */
export function moveWithin(transform: Transform, section: string, before: string | null): string | null {
  const { doc } = transform;
  const moved = sectionsOf(doc).find(({ id }) => id === section);
  const at = positionIn(doc, before);
  if (!moved || at === null) return 'There is no such section any more.';
  if (at >= moved.from && at <= moved.to)
    return at === moved.from || at === moved.to ? null : 'A section can’t be moved into itself.';
  const piece = doc.slice(moved.from, moved.to).content;
  if (at > moved.to) transform.insert(at, piece).delete(moved.from, moved.to);
  else transform.delete(moved.from, moved.to).insert(at, piece);
  return null;
}

function positionIn(doc: Node, before: string | null): number | null {
  if (before === null) return doc.content.size;
  return sectionsOf(doc).find(({ id }) => id === before)?.from ?? null;
}
