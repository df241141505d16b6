import { fork } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** Something that a process says while it works. */
export type ProcessSays<Progress, Result> =
  | { says: 'progress'; progress: Progress }
  | { says: 'done'; result: Result }
  | { says: 'refused'; message: string };

/** The work refused its input: an expected fault, with words for the author. */
export class WorkRefusal extends Error {}

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

/**
 * Does work in a process of its own, so that nothing it meets can end the server: a file that says `work`. Whatever happens it is
 * ended by SIGKILL when it is stopped, takes too much or too long.
 *
 * @throws WorkRefusal when the work refuses; ProcessDeath when the process ends too early; the reason of the signal
 */
export function inProcess<Progress, Result>(
  file: URL,
  input: unknown,
  { signal, progress, limits }: ProcessOptions<Progress> = {},
): Promise<Result> {
  const { memory, time } = { ...LIMITS, ...limits };
  return new Promise((resolve, reject) => {
    if (signal?.aborted) return reject(signal.reason as Error);
    const child = fork(fileURLToPath(file), {
      serialization: 'advanced',
      execArgv: [],
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    const end = (error: Error) => {
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
      if (message.says === 'done') resolve(message.result);
      else reject(new WorkRefusal(message.message));
      child.kill('SIGKILL');
    });
    child.once('error', end);
    child.once('exit', () => {
      clearInterval(looking);
      clearTimeout(timer);
      signal?.removeEventListener('abort', stop);
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
