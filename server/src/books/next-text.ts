import {
  faultInBounds,
  faultInChapter,
  keepsPages,
  SCHEMA_VERSION,
  type Fault,
} from '@vennet/core/manuscript';
import type { Transform } from 'prosemirror-transform';
import { ProblemError } from '../platform/problem.js';
import { chapterTitle, columnsOf } from './chapter-text.js';

/** The next text of a chapter as it is stored, with the steps that led to it. */
export interface NextText {
  columns: ReturnType<typeof columnsOf>;
  /** What it is called by its text; empty where that says nothing. */
  heading: string;
  version: number;
  steps: string;
  inverses: string;
}

/** The refusal of a text that does not fit. */
export const misfit = ({ path, message }: Fault): ProblemError =>
  new ProblemError(
    422,
    'The chapter does not fit the schema',
    `At ${path || 'the top'}: ${message}. Nothing was stored.`,
    { path },
  );

/** What steps make of a chapter. @throws ProblemError where the text does not fit the schema any more */
export function nextText(
  chapter: { title: string; version: number },
  { steps, docs, doc }: Pick<Transform, 'steps' | 'docs' | 'doc'>,
): NextText {
  const json = doc.toJSON() as object;
  // A text from before a bound was drawn can still be written on; whether it is one matters only where something does not fit.
  const fault = faultInChapter(json) && faultInChapter(json, faultInBounds(docs[0] ?? doc) === null);
  if (fault) throw misfit(fault);
  if (docs[0] && !keepsPages(docs[0], doc))
    throw misfit({
      path: '',
      message: 'the pages of a finished file stay as they are; only their links change',
    });
  return {
    columns: columnsOf(doc, json, chapter.title),
    heading: chapterTitle(doc, ''),
    version: chapter.version + steps.length,
    steps: JSON.stringify(steps),
    inverses: JSON.stringify(steps.map((step, index) => step.invert(docs[index] ?? doc))),
  };
}

/** The columns of the row that keeps the steps, beside those that say whose they are. */
export const stepColumns = ({ version, steps, inverses }: NextText, before: number) => ({
  fromVersion: before,
  toVersion: version,
  schemaVersion: SCHEMA_VERSION,
  steps,
  inverses,
});

export type StepColumns = ReturnType<typeof stepColumns>;

/** The columns of steps with those that came right after them. */
export const stepsAfter = (first: StepColumns, { version, steps, inverses }: NextText): StepColumns => ({
  ...first,
  toVersion: version,
  steps: `${first.steps.slice(0, -1)},${steps.slice(1)}`,
  inverses: `${first.inverses.slice(0, -1)},${inverses.slice(1)}`,
});
