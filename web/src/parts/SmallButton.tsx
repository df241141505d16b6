import type { ReactNode } from 'react';

/** A small button that is told by its words, whatever is shown on it. */
export const SmallButton = ({
  words,
  look,
  off,
  act,
  children,
}: {
  words: string;
  look?: 'quiet';
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
    title={words}
    disabled={off}
    onClick={act}
  >
    {children}
  </button>
);
