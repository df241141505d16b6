import { attrsOf, ROOM, roomHeight } from '@vennet/core/manuscript';
import { useId } from 'react';
import {
  closing,
  RemoveNode,
  setAttributes,
  useFirstField,
  whatDiffers,
  type NodeSlipProps,
} from './slip-parts.js';
import { SlipForm } from './SlipForm.js';
import { useSlip } from './use-slip.js';

/** The slip of room to write: how high it is, and whether it has lines. */
export function RoomSlip({ view, node, position, asked }: NodeSlipProps) {
  const id = useId();
  const first = useFirstField<HTMLInputElement>(asked);
  const { height, ruled } = attrsOf.room(node);
  const slip = useSlip({
    stored: { height, ruled },
    write: (values, before) => setAttributes(view, node, position, whatDiffers(values, before)),
    ...closing(view),
  });
  const { values, choose } = slip;
  return (
    <SlipForm label="Slip of the room to write" slip={slip} group>
      <label className="label" htmlFor={`${id}-height`}>
        Height in mm
      </label>
      <input
        ref={first}
        id={`${id}-height`}
        type="number"
        className="field !w-28"
        min={ROOM.least}
        max={ROOM.most}
        step={5}
        value={values.height}
        onChange={({ target: { valueAsNumber: wanted } }) =>
          Number.isNaN(wanted) || choose({ height: roomHeight(wanted) })
        }
      />
      <label className="mt-2.5 flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="accent-amber"
          checked={values.ruled}
          onChange={(event) => choose({ ruled: event.target.checked })}
        />
        With lines to write on
      </label>
      <p className="mt-2 text-sm text-soft">
        It stands on paper and in every form; screen readers pass over it. Say above it what is to be written.
      </p>
      <div className="mt-3">
        <RemoveNode words="Remove the room" view={view} node={node} position={position} />
      </div>
    </SlipForm>
  );
}
