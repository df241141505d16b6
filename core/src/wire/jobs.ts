import type { BringInReport } from '../bring-in/index.js';

/** What takes longer than an answer may: it waits its turn, can be followed, and can be stopped. */
export const JOB_KINDS = ['bring-in', 'check', 'export', 'pages'] as const;
export type JobKind = (typeof JOB_KINDS)[number];

export const JOB_STATES = ['waiting', 'running', 'done', 'failed', 'stopped'] as const;
export type JobState = (typeof JOB_STATES)[number];

/** Whether a job is still to be waited for. */
export const isUnderWay = ({ state }: { state: JobState }): boolean =>
  state === 'waiting' || state === 'running';

/** What a job may want from the author before it can be done. */
export const WANTED = ['password'] as const;
export type Wanted = (typeof WANTED)[number];

/** How a job stands, as `GET /api/jobs/:id` gives it and its events tell it. */
export interface JobStatus {
  id: string;
  kind: JobKind;
  state: JobState;
  /** What is being done, in words; empty while nothing is to be said. */
  stage: string;
  done: number;
  /** 0 while nobody knows how much there is to do. */
  total: number;
  /** Why it failed, in words for the author. */
  message: string;
  /** What it failed for the want of; it can be begun again with it. */
  wants: Wanted | null;
  /** The book that a bringing in has made. */
  made: BookMade | null;
}

/** A book that was brought in. */
export interface BookMade {
  id: string;
  report: BringInReport;
}
