import { useId, type ReactNode } from 'react';

/** A field under its label; it bears the id that it is given. */
export function Labelled({ label, children }: { label: string; children(id: string): ReactNode }) {
  const id = useId();
  return (
    <div>
      <label className="label" htmlFor={id}>
        {label}
      </label>
      {children(id)}
    </div>
  );
}
