import { ContentsSlip } from './ContentsSlip.js';
import { NoteSlip } from './NoteSlip.js';
import { ReturnSlip } from './ReturnSlip.js';
import { RoomSlip } from './RoomSlip.js';
import type { NodeSlipProps } from './slip-parts.js';

/** The slip of whatever is selected that leads inside the book by itself, or is room in it. */
export function InsideSlip(props: NodeSlipProps) {
  switch (props.node.type.name) {
    case 'contents':
      return <ContentsSlip {...props} />;
    case 'room':
      return <RoomSlip {...props} />;
    case 'return_link':
      return <ReturnSlip {...props} />;
    default:
      return <NoteSlip {...props} />;
  }
}
