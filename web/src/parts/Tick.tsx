import type { ReactNode } from 'react';

interface TickProps {
  on: boolean;
  /** It can’t be turned. */
  off?: boolean;
  turn(): void;
  children: ReactNode;
}

/** Something that is so or is not, with its words beside the box. */
export const Tick = ({ on, off, turn, children }: TickProps) => (
  <label className="flex items-center gap-2">
    <input type="checkbox" className="accent-amber" checked={on} disabled={off} onChange={turn} />
    {children}
  </label>
);
