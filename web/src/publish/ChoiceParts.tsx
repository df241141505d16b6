import type { ReactNode } from 'react';
import { Labelled } from '../parts/Labelled.js';
import { Tick } from '../parts/Tick.js';

/** Choices that belong together. */
export const Group = ({ legend, children }: { legend: string; children: ReactNode }) => (
  <fieldset className="mt-4">
    <legend className="mb-1 font-semibold">{legend}</legend>
    <div className="flex flex-wrap items-start gap-x-4 gap-y-2">{children}</div>
  </fieldset>
);

/** One of a few values. */
export function Select<Value extends string>({
  label,
  value,
  options,
  pick,
}: {
  label: string;
  value: Value;
  options: readonly (readonly [Value, string])[];
  pick(value: Value): void;
}) {
  return (
    <Labelled label={label}>
      {(id) => (
        <select
          id={id}
          className="field !w-auto"
          value={value}
          onChange={({ target }) => {
            const picked = options.find(([one]) => one === target.value);
            if (picked) pick(picked[0]);
          }}
        >
          {options.map(([one, words]) => (
            <option key={one} value={one}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Labelled>
  );
}

interface Turned {
  on: boolean;
  turn(): void;
}

export const SourcesTick = (turned: Turned) => (
  <Tick {...turned}>A list of sources at the end: title or words, site, and the day it was seen</Tick>
);

export const CompanionsTick = (turned: Turned) => (
  <Tick {...turned}>Other books without an address lie beside it, and links lead to them there</Tick>
);
