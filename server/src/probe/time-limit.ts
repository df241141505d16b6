/** What is asked has taken too long. */
export class TimeLimitError extends Error {
  readonly code = 'UND_ERR_HEADERS_TIMEOUT';

  constructor(time: number) {
    super(`no answer within ${time} ms`);
  }
}

/**
 * Does something that has to end within a time, in ms, or when `outer` is given up. The controller and its timer are held until
 * it has ended: signals made by `AbortSignal.any` and `AbortSignal.timeout` can be collected as garbage before (seen in Node 20),
 * and then nothing ends it.
 */
export async function withinTime<Result>(
  time: number,
  outer: AbortSignal | null,
  work: (signal: AbortSignal) => Promise<Result>,
): Promise<Result> {
  const controller = new AbortController();
  const giveUp = () => controller.abort(outer?.reason);
  if (outer?.aborted) giveUp();
  outer?.addEventListener('abort', giveUp, { once: true });
  const timer = setTimeout(() => controller.abort(new TimeLimitError(time)), time);
  try {
    return await work(controller.signal);
  } finally {
    clearTimeout(timer);
    outer?.removeEventListener('abort', giveUp);
  }
}
