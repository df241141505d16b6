import {
  keepIdsUnique,
  moveSection,
  notesChanged,
  notesPutIn,
  placesNamed,
  refillNote,
  refillRemark,
} from '@vennet/core/edits';
import { schema, sectionsOf } from '@vennet/core/manuscript';
import { takeBack } from '@vennet/core/steps';
import type { Node } from 'prosemirror-model';
import { Mapping, Transform } from 'prosemirror-transform';
import { In } from 'typeorm';
import type { ChangeEntity, ChangeRecipe } from '../database/entities/change.entity.js';
import type { ChapterStepsEntity } from '../database/entities/chapter-steps.entity.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { mint } from '../platform/mint.js';
import { arrange, mergedOrder, type ChangeInHand } from './change-in-hand.js';
import { divideChapters } from './divided-chapters.js';
import { joinChapters, splitOff } from './joined-chapters.js';
import { read, stepsOf, stepsSince } from './steps-log.js';

/** What is said of a chapter whose older steps were thinned out. */
const notKept = ({ title }: ChapterEntity) => `“${title}”: its text of that time is not kept any more`;

/** Takes the steps of a change in one chapter back, as it is now; gives what could not be, in words. */
async function undoSteps(hand: ChangeInHand, batch: ChapterStepsEntity): Promise<string[]> {
  const chapter = hand.chapters.find(({ id }) => id === batch.chapterId);
  if (!chapter) return ['a chapter that was removed since'];
  const later = await stepsSince(hand.manager, chapter, batch.toVersion);
  if (!later) return [notKept(chapter)];
  const done = { steps: read(batch.steps), inverses: read(batch.inverses) };
  const steps = later.map((row) => ({ own: row.changeId === hand.id, steps: read(row.steps) }));
  const putBack = new Set(steps.flatMap((row) => (row.own ? row.steps : [])));
  const { transform, left } = takeBack(
    hand.docOf(chapter),
    done,
    steps.flatMap((row) => row.steps),
    putBack,
  );
  // Something that could not be taken back may bear an id of what was put back.
  keepIdsUnique(transform, mint);
  await hand.write(chapter, transform);
  return left;
}

/** A note that a change had made of a remark, and that was written on since. */
interface NoteSince {
  before: Node;
  now: Node;
}

/**
 * Takes the steps of a change back in all its chapters. Notes that it had made of remarks go back with the words that they have by now: what was
 * written in them since is put into the remarks.
 */
export async function undoAll(hand: ChangeInHand, batches: readonly ChapterStepsEntity[]): Promise<string[]> {
  const made = notesPutIn(batches.flatMap(({ steps }) => read(steps)));
  const since: NoteSince[] = [];
  for (const chapter of hand.chapters) {
    const doc = made.size > 0 ? hand.docOf(chapter) : null;
    const changed = doc ? notesChanged(doc, made) : [];
    if (!doc || changed.length === 0) continue;
    since.push(...changed);
    const asMade = new Transform(doc);
    for (const { at, before, now } of changed.reverse())
      asMade.replaceWith(at + 1, at + 1 + now.content.size, before.content);
    await hand.write(chapter, asMade);
  }
  const left: string[] = [];
  for (const batch of batches) left.push(...(await undoSteps(hand, batch)));
  for (const note of since) if (!(await refill(hand, note))) left.push(...(await keepWords(hand, note)));
  return left;
}

/** Puts what was written in a note into its remark; or back into the note, where that could not be taken back. */
async function refill(hand: ChangeInHand, { before, now }: NoteSince): Promise<boolean> {
  for (const work of [refillNote, refillRemark])
    for (const chapter of hand.chapters) {
      const transform = new Transform(hand.docOf(chapter));
      if (!work(transform, before, now)) continue;
      await hand.write(chapter, transform);
      return true;
    }
  return false;
}

/** Words of a note whose remark is nowhere to be found stand at the end of the last chapter. */
async function keepWords(hand: ChangeInHand, { now }: NoteSince): Promise<string[]> {
  const chapter = hand.chapters.at(-1);
  if (!chapter) return [];
  const transform = new Transform(hand.docOf(chapter));
  const paragraphs = now.children.map(({ content }) => schema.node('paragraph', null, content));
  transform.insert(transform.doc.content.size, paragraphs);
  await hand.write(chapter, transform);
  return [`the remark “${now.textContent.slice(0, 40)}”, which stands at the end of “${chapter.title}” now`];
}

/** Does the opposite of what a change did beside its steps, to what is there now. */
export async function undoRecipe(hand: ChangeInHand, { id, recipe }: ChangeEntity): Promise<string[]> {
  const { moved, split, joined, divided, removed = [], added = [], titles = [], order } = recipe ?? {};
  const { manager, chapters } = hand;
  if (moved) return moveBack(hand, moved);
  if (divided) {
    await divideChapters(hand, divided);
    return [];
  }
  if (split) return joinBack(hand, split);
  if (joined) return splitBack(hand, joined, id);
  const opposite: ChangeRecipe = {};
  if (removed.length > 0) {
    await manager.restore(ChapterEntity, { id: In(removed) });
    chapters.push(...(await manager.find(ChapterEntity, { where: { id: In(removed) } })));
    chapters.sort((one, other) => one.position - other.position);
    await arrange(manager, chapters);
    opposite.added = removed;
  }
  if (added.length > 0) {
    if (added.length === chapters.length) return ['the only chapter'];
    await manager.softDelete(ChapterEntity, { id: In(added) });
    opposite.removed = added;
  }
  if (titles.length > 0) {
    opposite.titles = titles.flatMap(({ id: own }) =>
      chapters.filter((one) => one.id === own).map(({ title }) => ({ id: own, title })),
    );
    for (const { id: own, title } of titles) await manager.update(ChapterEntity, { id: own }, { title });
  }
  if (order) {
    opposite.order = chapters.map(({ id: own, matter }) => ({ id: own, matter }));
    await arrange(manager, mergedOrder(order, chapters));
  }
  hand.recipe = opposite;
  return [];
}

/** Takes a split back: the two chapters become one, as they are now. */
async function joinBack(
  hand: ChangeInHand,
  { chapter, fresh }: NonNullable<ChangeRecipe['split']>,
): Promise<string[]> {
  const into = hand.chapters.find(({ id }) => id === chapter);
  const rest = hand.chapters.find(({ id }) => id === fresh);
  if (!into || !rest) return ['a chapter that was removed since'];
  await joinChapters(hand, into, rest);
  hand.recipe = { joined: { into: chapter, chapter: fresh } };
  return [];
}

/** Takes a joining back: what came from the chapter goes back into it, as it is now. */
async function splitBack(
  hand: ChangeInHand,
  { into, chapter }: NonNullable<ChangeRecipe['joined']>,
  change: string,
): Promise<string[]> {
  const source = hand.chapters.find(({ id }) => id === into);
  const [batch] = await stepsOf(hand.manager, change);
  if (!source || batch?.chapterId !== into) return ['a chapter that was removed since'];
  const later = await stepsSince(hand.manager, source, batch.toVersion);
  if (!later) return [notKept(source)];
  const put: { from: number; to: number }[] = [];
  read(batch.steps)
    .at(-1)
    ?.getMap()
    .forEach((_from, _to, from, to) => put.push({ from, to }));
  const onward = new Mapping(later.flatMap(({ steps }) => read(steps)).map((step) => step.getMap()));
  const doc = hand.docOf(source);
  const edge = (at: number) => {
    const $at = doc.resolve(Math.min(at, doc.content.size));
    return $at.depth === 0 ? $at.pos : $at.before(1);
  };
  const from = edge(onward.map(put[0]?.from ?? doc.content.size, -1));
  const to = Math.max(from, edge(onward.map(put[0]?.to ?? doc.content.size, 1)));
  await hand.manager.restore(ChapterEntity, { id: chapter });
  const back = await hand.manager.findOneByOrFail(ChapterEntity, { id: chapter });
  hand.chapters.splice(hand.chapters.indexOf(source) + 1, 0, back);
  await arrange(hand.manager, hand.chapters);
  if (from < to) await splitOff(hand, source, { from, to }, back);
  hand.recipe = { split: { chapter: into, fresh: chapter } };
  return [];
}

/** Moves a section back to where it stood, as it is now. */
async function moveBack(
  hand: ChangeInHand,
  { section, chapter, before, words }: NonNullable<ChangeRecipe['moved']>,
): Promise<string[]> {
  const from = hand.chapters.find((one) => sectionsOf(hand.docOf(one)).some(({ id }) => id === section));
  const home = hand.chapters.find(({ id }) => id === chapter);
  if (!from || !home) return [words];
  const isThere = sectionsOf(hand.docOf(home)).some(({ id }) => id === before);
  const refused = await moveTo(hand, section, from.id, { chapter, before: isThere ? before : null });
  return refused === null ? [] : [words];
}

/** Moves a section and notes how it is moved back; gives `null`, or in words why it can't be. */
export async function moveTo(
  hand: ChangeInHand,
  section: string,
  from: string,
  to: { chapter: string; before: string | null },
): Promise<string | null> {
  const named = new Map(hand.chapters.map((one) => [one.id, placesNamed(hand.docOf(one), one.id)]));
  const docs = new Map([...named].map(([id, { doc }]) => [id, doc]));
  const source = docs.get(from);
  const all = source ? sectionsOf(source) : [];
  const moved = all.find(({ id }) => id === section);
  const result = moveSection(docs, { from: { chapter: from, section }, to });
  if ('refused' in result) return result.refused;
  for (const [id, { steps }] of result) {
    const stored = hand.chapters.find((one) => one.id === id);
    const transform = named.get(id);
    if (!stored || !transform || steps.length === 0) continue;
    for (const step of steps) transform.step(step);
    await hand.write(stored, transform);
  }
  const next = all.find((one) => one.from === moved?.to)?.id ?? null;
  const words = source?.nodeAt(moved?.from ?? 0)?.textContent.slice(0, 60) ?? '';
  if (hand.changed.size > 0) hand.recipe = { moved: { section, chapter: from, before: next, words } };
  return null;
}
