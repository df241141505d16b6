import type { ReactNode } from 'react';

/** Fields of a dialog that belong together, under their name. */
export const Group = ({ title, children }: { title: string; children: ReactNode }) => (
  <fieldset className="space-y-1.5">
    <legend className="mb-1 font-semibold">{title}</legend>
    {children}
  </fieldset>
);
