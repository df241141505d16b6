import type { ReactNode } from 'react';

/** A small button that is told by its words, whatever is shown on it. */
export const SmallButton = ({
  words,
  look,
  keys,
  off,
  act,
  children,
}: {
  words: string;
  look?: 'quiet';
  /** The keys that do the same, as `aria-keyshortcuts` has them. */
  keys?: string;
  off: boolean;
  act(): void;
  children: ReactNode;
}) => (
  <button
    type="button"
    className="button"
    data-size="small"
    data-look={look}
    aria-label={words}
    aria-keyshortcuts={keys}
    title={keys ? `${words} (${inWords(keys)})` : words}
    disabled={off}
    onClick={act}
  >
    {children}
  </button>
);

const KEYS: Readonly<Record<string, string>> = {
  ArrowLeft: '←',
  ArrowRight: '→',
  PageDown: 'Page down',
};

const inWords = (keys: string): string =>
  keys
    .split('+')
    .map((key) => KEYS[key] ?? key)
    .join(' + ');
