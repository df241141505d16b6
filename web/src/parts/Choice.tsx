import { useId } from 'react';

/** One of several choices of which one holds. */
export function Choice({
  name,
  words,
  on,
  pick,
}: {
  name: string;
  words: string;
  on: boolean;
  pick(): void;
}) {
  const id = useId();
  return (
    <label htmlFor={id} className="flex items-center gap-2">
      <input id={id} type="radio" className="accent-amber" name={name} checked={on} onChange={pick} />
      {words}
    </label>
  );
}
