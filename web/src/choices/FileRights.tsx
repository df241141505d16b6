import type { OpensFor, ShelfFile, Travels } from '@vennet/core/shelf';
import { openBook } from '../book/open-book.js';

export const OPENS_FOR_WORDS: Record<OpensFor, string> = {
  everyone: 'Everyone with the book',
  reviewers: 'Reviewers only',
  author: 'Only me',
};

export const TRAVELS_WORDS: Record<Travels, string> = {
  inside: 'Inside the book',
  beside: 'Beside the book',
  public: 'At a public address',
};

/** Who can open a file and how it travels: chosen on the Shelf or in a slip, and true for every link to it. */
export function FileRights({ file }: { file: ShelfFile }) {
  return (
    <>
      <Choice
        words="Who can open it"
        among={OPENS_FOR_WORDS}
        value={file.opensFor}
        choose={(opensFor) => void openBook().files.change(file.id, { opensFor })}
      />
      <Choice
        words="How it travels"
        among={TRAVELS_WORDS}
        value={file.travels}
        choose={(travels) => void openBook().files.change(file.id, { travels })}
      />
    </>
  );
}

function Choice<Value extends string>({
  words,
  among,
  value,
  choose,
}: {
  words: string;
  among: Record<Value, string>;
  value: Value;
  choose(value: Value): void;
}) {
  return (
    <label className="block">
      <span className="label">{words}</span>
      <select className="field" value={value} onChange={(event) => choose(event.target.value as Value)}>
        {Object.entries<string>(among).map(([one, name]) => (
          <option key={one} value={one}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
