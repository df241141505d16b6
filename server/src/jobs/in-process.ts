import { fork, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { constants, setPriority } from 'node:os';
import { fileURLToPath } from 'node:url';
import type { Wanted } from '@vennet/core/wire';

/** Something that a process says while it works. */
export type ProcessSays<Progress, Result> =
  | { says: 'progress'; progress: Progress }
  | { says: 'done'; result: Result }
  | { says: 'refused'; message: string; wants: Wanted | null };

/** The work refused its input: an expected fault, with words for the author. */
export class WorkRefusal extends Error {
  /** @param wants what is missing to do it, where that is so */
  constructor(
    message: string,
    readonly wants: Wanted | null = null,
  ) {
    super(message);
  }
}

/** The process ended before its work was done: it broke, or took more than it may. */
export class ProcessDeath extends Error {
  constructor(readonly why: 'broke' | 'memory' | 'time') {
    super(
      { broke: 'the process broke', memory: 'the process took too much memory', time: 'it took too long' }[
        why
      ],
    );
  }
}

export interface ProcessLimits {
  /** Of the whole process, in bytes: native modules are not held by a limit of the engine's heap. */
  memory: number;
  /** In ms. */
  time: number;
}

const LIMITS: ProcessLimits = { memory: 1.5 * 2 ** 30, time: 10 * 60_000 };
/** How often the memory of a process is looked at, in ms. */
const LOOK = 200;

export interface ProcessOptions<Progress> {
  signal?: AbortSignal;
  progress?: (progress: Progress) => void;
  limits?: Partial<ProcessLimits>;
}

/** Processes that have done their work well and wait for more, by the file that they run. */
const idle = new Map<string, ChildProcess[]>();
/** A process that holds more than this, in bytes, is not kept: what it took is given back. */
const KEPT_BELOW = 256 * 2 ** 20;
/** How long one waits for more work, in ms. */
const WAITS = 30_000;

function processFor(file: string): ChildProcess {
  const waiting = idle.get(file)?.pop();
  if (waiting?.connected) {
    waiting.removeAllListeners();
    waiting.ref();
    waiting.channel?.ref();
    return waiting;
  }
  const child = fork(file, {
    serialization: 'advanced',
    execArgv: [],
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  // Whoever writes or reads meanwhile comes first.
  if (child.pid !== undefined) setPriority(child.pid, constants.priority.PRIORITY_BELOW_NORMAL);
  return child;
}

/** Lets a process wait for more work; nothing waits for it. */
function letWait(file: string, child: ChildProcess): void {
  child.removeAllListeners();
  if (memoryOf(child.pid) > KEPT_BELOW) return void child.kill('SIGKILL');
  const waiting = idle.get(file) ?? [];
  idle.set(file, [...waiting, child]);
  const forget = () =>
    idle.set(
      file,
      (idle.get(file) ?? []).filter((one) => one !== child),
    );
  const timer = setTimeout(() => {
    if (!idle.get(file)?.includes(child)) return;
    forget();
    child.kill('SIGKILL');
  }, WAITS).unref();
  child.once('exit', () => {
    clearTimeout(timer);
    forget();
  });
  child.unref();
  child.channel?.unref();
}

/** Ends the processes that wait for work. */
export function endIdle(): void {
  for (const child of [...idle.values()].flat()) child.kill('SIGKILL');
  idle.clear();
}

/**
 * Does work in a process of its own, so that nothing it meets can end the server: a file that says `work`. It is ended by SIGKILL when
 * it is stopped, takes too much or too long; one that did its work well is used again for a while.
 *
 * @throws WorkRefusal when the work refuses; ProcessDeath when the process ends too early; the reason of the signal
 */
export function inProcess<Progress, Result>(
  file: URL,
  input: unknown,
  { signal, progress, limits }: ProcessOptions<Progress> = {},
): Promise<Result> {
  const { memory, time } = { ...LIMITS, ...limits };
  const path = fileURLToPath(file);
  return new Promise((resolve, reject) => {
    if (signal?.aborted) return reject(signal.reason as Error);
    const child = processFor(path);
    const settle = () => {
      clearInterval(looking);
      clearTimeout(timer);
      signal?.removeEventListener('abort', stop);
    };
    const end = (error: Error) => {
      settle();
      reject(error);
      child.kill('SIGKILL');
    };
    const stop = () => end(signal?.reason as Error);
    signal?.addEventListener('abort', stop, { once: true });
    const looking = setInterval(() => {
      if (memoryOf(child.pid) > memory) end(new ProcessDeath('memory'));
    }, LOOK);
    const timer = setTimeout(() => end(new ProcessDeath('time')), time);
    child.on('message', (message: ProcessSays<Progress, Result>) => {
      if (message.says === 'progress') return progress?.(message.progress);
      settle();
      letWait(path, child);
      if (message.says === 'done') resolve(message.result);
      else reject(new WorkRefusal(message.message, message.wants));
    });
    child.once('error', end);
    child.once('exit', () => {
      settle();
      reject(new ProcessDeath('broke'));
    });
    child.send(input as object, (error) => error && end(error));
  });
}

/** What a process holds of the machine's memory, in bytes; 0 where that can't be seen. */
function memoryOf(pid: number | undefined): number {
  try {
    const status = readFileSync(`/proc/${pid}/status`, 'utf8');
    return Number(/^VmRSS:\s+(\d+) kB$/m.exec(status)?.[1] ?? 0) * 1024;
  } catch {
    return 0;
  }
}
