import { useEffect, useId, useRef, useState, type ReactNode } from 'react';

/** ms after the last key until what was typed is kept. */
const PAUSE = 600;

/**
 * A line or some lines of words that are kept a moment after the last key, and when the field is left. What `refuse` has a word
 * for is not kept; the word stands below.
 */
export function KeptField({
  label,
  value,
  keep,
  refuse = () => null,
  rows,
  most,
  hint,
  list,
  lang,
}: {
  label: string;
  value: string;
  keep(words: string): void;
  refuse?(words: string): string | null;
  /** Of a field of several lines. */
  rows?: number;
  /** Signs. */
  most: number;
  hint?: ReactNode;
  /** The id of a list of suggestions. */
  list?: string;
  lang?: string;
}) {
  const id = useId();
  const [words, setWords] = useState(value);
  const [isWithin, setWithin] = useState(false);
  const fault = words.trim() === value ? null : refuse(words.trim());
  // Once the field is left it shows what is kept, also when that is changed elsewhere.
  if (!isWithin && fault === null && words !== value) setWords(value);
  const latest = useRef(() => {});
  useEffect(() => {
    latest.current = () => {
      if (words.trim() !== value && fault === null) keep(words.trim());
    };
  });
  useEffect(() => {
    const timer = setTimeout(() => latest.current(), PAUSE);
    return () => clearTimeout(timer);
  }, [words]);
  useEffect(() => () => latest.current(), []);
  const shared = {
    id,
    className: 'field',
    value: words,
    maxLength: most,
    lang,
    'aria-invalid': fault !== null,
    'aria-describedby': hint || fault ? `${id}-said` : undefined,
    onFocus: () => setWithin(true),
    onBlur: () => {
      latest.current();
      setWithin(false);
    },
  };
  return (
    <div>
      <label className="label" htmlFor={id}>
        {label}
      </label>
      {rows ? (
        <textarea {...shared} rows={rows} onChange={(event) => setWords(event.target.value)} />
      ) : (
        <input
          {...shared}
          list={list}
          autoComplete="off"
          onChange={(event) => setWords(event.target.value)}
        />
      )}
      <div id={`${id}-said`} className="text-sm text-soft">
        {fault ? <span className="text-broken">{fault}</span> : hint}
      </div>
    </div>
  );
}
