import { SCHEMA_VERSION } from '@vennet/core/manuscript';
import { applySteps, stepsFrom, StepsRefused } from '@vennet/core/steps';
import type { StepsAnswer } from '@vennet/core/wire';
import type { Node } from 'prosemirror-model';
import type { Step, Transform } from 'prosemirror-transform';
import { In, MoreThan, type EntityManager } from 'typeorm';
import { ChangeEntity } from '../database/entities/change.entity.js';
import { ChapterStepsEntity } from '../database/entities/chapter-steps.entity.js';
import type { ChapterEntity } from '../database/entities/chapter.entity.js';
import { ProblemError } from '../platform/problem.js';
import { asSent } from './chapter-text.js';

/** Steps as they are kept. */
export const read = (json: string): Step[] => stepsFrom(JSON.parse(json) as unknown[]);

/** The steps of a change, chapter by chapter, the last ones first. */
export function stepsOf(manager: EntityManager, changeId: string): Promise<ChapterStepsEntity[]> {
  return manager.find(ChapterStepsEntity, { where: { changeId }, order: { toVersion: 'DESC' } });
}

/** What has come into a chapter since a version, in its order; `null` where not all of it is kept, or it is of another schema. */
export async function stepsSince(
  manager: EntityManager,
  chapter: Pick<ChapterEntity, 'id' | 'version'>,
  version: number,
): Promise<ChapterStepsEntity[] | null> {
  const rows = await manager.find(ChapterStepsEntity, {
    where: { chapterId: chapter.id, toVersion: MoreThan(version) },
    order: { toVersion: 'ASC' },
  });
  let at = version;
  for (const row of rows) {
    if (row.fromVersion !== at || row.schemaVersion !== SCHEMA_VERSION) return null;
    at = row.toVersion;
  }
  return at === chapter.version ? rows : null;
}

/** What a window has missed since a version; the chapter itself, where the steps since then are not kept any more. */
export async function answerFrom(
  manager: EntityManager,
  chapter: ChapterEntity,
  version: number,
): Promise<StepsAnswer> {
  const rows = await stepsSince(manager, chapter, version);
  if (!rows) return { ...savedAs(chapter), taken: false, missed: [], current: asSent(chapter) };
  const changes = await manager.find(ChangeEntity, {
    where: { id: In(rows.map(({ changeId }) => changeId)) },
    select: { id: true, window: true },
  });
  const windows = new Map(changes.map(({ id, window }) => [id, window]));
  return {
    ...savedAs(chapter),
    taken: false,
    missed: rows.map(({ changeId, fromVersion: from, steps }) => ({
      change: changeId,
      window: windows.get(changeId) ?? '',
      from,
      steps: JSON.parse(steps) as object[],
    })),
    current: null,
  };
}

/** What a save is told. */
export const savedAs = ({ version, title }: ChapterEntity) => ({ version, title });

/** Steps of a window over the text of a chapter. @throws ProblemError that names the first one that does not fit */
export function transformOf(doc: Node, json: readonly object[]): Transform {
  try {
    return applySteps(doc, stepsFrom(json));
  } catch (error) {
    if (!(error instanceof StepsRefused)) throw error;
    const { index, why } = error;
    throw new ProblemError(422, 'A step that does not fit', `Step ${index}: ${why}. Nothing was stored.`, {
      path: `steps[${index}]`,
    });
  }
}
