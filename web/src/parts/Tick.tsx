import type { ReactNode } from 'react';

/** Something that is so or is not, with its words beside the box. */
export const Tick = ({ on, turn, children }: { on: boolean; turn(): void; children: ReactNode }) => (
  <label className="flex items-center gap-2">
    <input type="checkbox" className="accent-amber" checked={on} onChange={turn} />
    {children}
  </label>
);
