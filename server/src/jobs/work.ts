import type { ProcessSays } from './in-process.js';

/**
 * What a file does that runs by `inProcess`: it waits for its input, works, says what came of it, and waits for more. Errors of the class
 * `refusal` are told in their words; any other ends the process.
 */
export function work<Input, Progress, Result>(
  refusal: new (...given: never[]) => Error,
  wordsOf: (error: Error) => string,
  doIt: (input: Input, tell: (progress: Progress) => void) => Result | Promise<Result>,
): void {
  const say = (message: ProcessSays<Progress, Result>) =>
    new Promise<void>((sent) => process.send?.(message, undefined, undefined, () => sent()));
  process.on('message', (input: Input) => {
    void (async () => {
      try {
        const result = await doIt(input, (progress) => void say({ says: 'progress', progress }));
        await say({ says: 'done', result });
      } catch (error) {
        if (!(error instanceof refusal)) {
          console.error(error);
          process.exit(1);
        }
        await say({ says: 'refused', message: wordsOf(error) });
      }
    })();
  });
  // Whoever asked for the work has gone.
  process.once('disconnect', () => process.exit(0));
}
