import type { JobState, JobStatus, Wanted } from '@vennet/core/wire';

/** What a job is given while it works. */
export interface JobRun {
  /** Says stop: because the author wants it, or because the server ends. */
  signal: AbortSignal;
  /** Tells those who follow the job how it stands. */
  tell(progress: Partial<Pick<JobStatus, 'stage' | 'done' | 'total'>>): void;
}

/** How a job ended that did not come to its end. `message` is for the author; empty for one who stopped it. */
export interface Unfinished {
  state: Extract<JobState, 'failed' | 'stopped'>;
  message: string;
  wants: Wanted | null;
}

/**
 * One kind of job. A job is known by its id only: what it works on is found by it, in the database or on the disk, so that
 * it can run wherever those can be reached.
 */
export interface JobHandler<Result = void> {
  /** How many of this kind are under way at one time. */
  atOnce: number;
  /** What is told of a fault that is Vennet's own. */
  faultWords: string;
  /** Does the work and stores what came of it. @throws WorkRefusal with words for the author */
  run(id: string, job: JobRun): Promise<Result>;
  /** What the status of a job that is done says of its result. */
  made?(result: Result): JobStatus['made'];
  /** Stores that a job was stopped or failed, before anyone is told. */
  unfinished?(id: string, end: Unfinished): Promise<void>;
  /** The status of a job that is long over, from what is stored; `null` when there was none. */
  stored?(id: string): Promise<JobStatus | null>;
}

/** Why jobs are let go when the server ends: not stopped by the author, and to be gone on with. */
export class ShutdownError extends Error {}
