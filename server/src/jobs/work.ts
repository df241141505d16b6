import type { Wanted } from '@vennet/core/wire';
import type { ProcessSays } from './in-process.js';

/**
 * What a file does that runs by `inProcess`: it waits for its input, works, says what came of it, and waits for more. `wordsOf` gives what is
 * said of an error that is a refusal; any other (`null`) ends the process.
 */
export function work<Input, Progress, Result>(
  wordsOf: (error: unknown) => string | { message: string; wants: Wanted } | null,
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
        const words = wordsOf(error);
        if (words === null) {
          console.error(error);
          process.exit(1);
        }
        await say({
          says: 'refused',
          ...(typeof words === 'string' ? { message: words, wants: null } : words),
        });
      }
    })();
  });
  // Whoever asked for the work has gone.
  process.once('disconnect', () => process.exit(0));
}
