import { DEFAULT_FRAME, isColour, THICKEST_FRAME, type AreaFrame, type Box } from '@vennet/core/manuscript';
import type { ReactNode } from 'react';
import { create } from 'zustand';

const SIDES: [keyof Box, string][] = [
  ['x', 'From the left'],
  ['y', 'From the top'],
  ['width', 'Wide'],
  ['height', 'High'],
];

/** The sides of a box in numbers. `whole` is what the whole picture or page has of a side, `digits` how many of them are shown. */
function SideFields({
  legend,
  box,
  whole,
  digits,
  most,
  change,
}: {
  legend: ReactNode;
  box: Box;
  whole(side: keyof Box): number;
  digits: number;
  most?: number;
  change(more: Partial<Box>): void;
}) {
  return (
    <fieldset className="mt-2.5">
      <legend className="label flex items-center gap-1.5">{legend}</legend>
      <div className="grid grid-cols-4 gap-1.5">
        {SIDES.map(([side, words]) => (
          <label key={side} className="block text-xs text-soft">
            {words}
            <input
              type="number"
              className="field !px-1.5 tabular-nums"
              min={0}
              max={most}
              // A box is kept finer than one would step through it.
              step="any"
              value={Number((box[side] * whole(side)).toFixed(digits))}
              onChange={(event) => {
                const length = event.target.valueAsNumber;
                if (!Number.isNaN(length)) change({ [side]: length / whole(side) });
              }}
            />
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** The box in exact numbers: percent of the picture. */
export const BoxFields = (props: { box: Box; change(more: Partial<Box>): void }) => (
  <SideFields {...props} legend="Where, in % of the picture" whole={() => 100} digits={2} most={100} />
);

/** Units in which a page is measured: how many points each has. */
const UNITS = { mm: 72 / 25.4, pt: 1, in: 72 } as const;
type Unit = keyof typeof UNITS;
const useUnit = create<{ unit: Unit }>(() => ({ unit: 'mm' }));

/** The box of a link of a page in exact numbers, in the unit of the author's choice. @param page in points */
export function MeasureFields({
  page,
  ...props
}: {
  box: Box;
  page: { width: number; height: number };
  change(more: Partial<Box>): void;
}) {
  const { unit } = useUnit();
  const whole = (side: keyof Box) =>
    (side === 'x' || side === 'width' ? page.width : page.height) / UNITS[unit];
  const legend = (
    <>
      Where, in
      <select
        className="field !w-auto !py-0"
        aria-label="Unit"
        value={unit}
        onChange={(event) => useUnit.setState({ unit: event.target.value as Unit })}
      >
        {Object.keys(UNITS).map((name) => (
          <option key={name}>{name}</option>
        ))}
      </select>
    </>
  );
  return <SideFields {...props} legend={legend} whole={whole} digits={unit === 'in' ? 3 : 1} />;
}

/** How readers see the area: unseen, or framed; a link on words of a page may have a line below them. */
export function FrameFields({
  frame,
  onPage = false,
  change,
}: {
  frame: AreaFrame | null;
  onPage?: boolean;
  change(frame: AreaFrame | null): void;
}) {
  return (
    <fieldset className="mt-2.5">
      <legend className="label">Look, for readers</legend>
      <div className="flex flex-wrap items-end gap-1.5">
        <select
          className="field !w-auto"
          aria-label="Frame"
          value={frame?.line ?? 'unseen'}
          onChange={(event) => {
            const line = event.target.value;
            change(
              line === 'unseen' ? null : { ...(frame ?? DEFAULT_FRAME), line: line as AreaFrame['line'] },
            );
          }}
        >
          <option value="unseen">Unseen</option>
          {onPage && <option value="under">A line below</option>}
          <option value="solid">Framed, solid</option>
          <option value="dashed">Framed, dashed</option>
          <option value="dotted">Framed, dotted</option>
        </select>
        {frame && (
          <>
            <label className="block text-xs text-soft">
              <span className="block">Width, pt</span>
              <input
                type="number"
                className="field !w-16 !px-1.5"
                min={0.25}
                max={THICKEST_FRAME}
                step={0.25}
                value={frame.width}
                onChange={(event) => {
                  const width = event.target.valueAsNumber;
                  if (width > 0 && width <= THICKEST_FRAME) change({ ...frame, width });
                }}
              />
            </label>
            <label className="block text-xs text-soft">
              <span className="block">Colour</span>
              <input
                type="color"
                className="block h-[2.1rem] w-11 cursor-pointer rounded border border-strong-line bg-raised p-0.5"
                value={frame.colour}
                onChange={(event) => {
                  if (isColour(event.target.value)) change({ ...frame, colour: event.target.value });
                }}
              />
            </label>
          </>
        )}
      </div>
    </fieldset>
  );
}
