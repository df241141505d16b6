import type { Ground } from '@vennet/core/manuscript';
import type { ExportChoices } from '@vennet/core/wire';

/** How the file of a book of pages is written. */
export function HowToWrite({
  ground,
  write,
  change,
}: {
  ground: Ground;
  write: ExportChoices['write'];
  change(write: ExportChoices['write']): void;
}) {
  const ways = [
    {
      id: 'addition',
      words: 'As an addition',
      about: ground.cannotAdd
        ? `Not for this file: ${ground.cannotAdd}.`
        : 'The old bytes stay as they are, and the links stand behind them. A signature goes on holding for the part that was signed.',
      off: ground.cannotAdd !== null,
    },
    {
      id: 'anew',
      words: 'Written anew and smaller',
      about: ground.signed
        ? 'The file is signed: written anew, its signature holds no more.'
        : 'What the file does not use any more is left out.',
      off: false,
    },
  ] as const;
  return (
    <fieldset className="mt-4">
      <legend className="font-semibold">How it is written</legend>
      {ways.map(({ id, words, about, off }) => (
        <label key={id} className="mt-1.5 flex gap-2" data-off={off || undefined}>
          <input
            type="radio"
            name="write"
            className="mt-1.5 accent-amber"
            checked={write === id}
            disabled={off}
            onChange={() => change(id)}
          />
          <span>
            {words}
            <span className="block text-sm text-soft">{about}</span>
          </span>
        </label>
      ))}
      {ground.certified !== null && (
        <p className="mt-2 border-l-4 border-moved py-1 pl-3 text-sm">
          Whoever certified this file allows {CERTIFIED[ground.certified] ?? CERTIFIED[2]}. With other links,
          reading programs say that it was changed.
        </p>
      )}
      {ground.forbidden.length > 0 && (
        <p className="mt-2 border-l-4 border-moved py-1 pl-3 text-sm">
          The owner of this file forbids {ground.forbidden.join(', ')}. Ask before you give it on with other
          links.
        </p>
      )}
    </fieldset>
  );
}

/** What a certified file lets be done (ISO 32000-1, table 254). */
const CERTIFIED: Readonly<Record<number, string>> = {
  1: 'no change',
  2: 'the filling in of forms only',
  3: 'forms and remarks only',
};
