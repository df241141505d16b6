import { message } from '@vennet/core/language';
import type { ReactNode } from 'react';
import { useOnce } from '../parts/use-once.js';

/** Something that was typed by hand: how much of it there is, what it becomes, and the button that makes it real. */
export function HandMade({
  legend,
  title,
  about,
  count,
  words,
  make,
  children,
}: {
  legend: string;
  title: string;
  about: string;
  /** How many are ticked. */
  count: number;
  /** What the button says, by `count`. */
  words: string;
  make(): Promise<void>;
  children: ReactNode;
}) {
  const making = useOnce(make);
  return (
    <fieldset className="mt-5 border-t border-line pt-4">
      <legend className="sr-only">{legend}</legend>
      <p className="font-semibold">{title}</p>
      <p className="mb-2 text-sm text-soft">{about}</p>
      {children}
      <button
        type="button"
        className="button mt-3"
        disabled={count === 0 || making.isUnderWay}
        onClick={() => making.run()}
      >
        {message(words, { count })}
      </button>
    </fieldset>
  );
}
