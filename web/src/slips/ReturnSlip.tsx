import { CONTENTS, TOP, type ReturnLinkTo } from '@vennet/core/manuscript';
import { CornerUpLeft } from 'lucide-react';
import { useId } from 'react';
import { InsideFindings } from '../findings/InsideFindings.js';
import { RETURN_WORDS, returnWords } from '../book/said.js';
import { OwnWords, RemoveNode, setAttributes, useFirstField, type NodeSlipProps } from './slip-parts.js';
import { goToPlace } from '../editor/going/visited.js';

/** The slip of a return link: where it leads, and its words. */
export function ReturnSlip({ view, node, position, asked }: NodeSlipProps) {
  const id = useId();
  const first = useFirstField<HTMLSelectElement>(asked);
  const { to, own } = node.attrs as { to: ReturnLinkTo; own: string };
  const set = (attributes: Record<string, unknown>) => setAttributes(view, position, attributes);
  const follow = () => goToPlace(to === 'top' ? TOP : CONTENTS);
  return (
    <div role="group" aria-label="Slip of the return link" className="slip">
      <label className="label" htmlFor={id}>
        Leads back
      </label>
      <select
        ref={first}
        id={id}
        className="field"
        value={to}
        onChange={(event) => set({ to: event.target.value })}
      >
        {(Object.keys(RETURN_WORDS) as (keyof typeof RETURN_WORDS)[]).map((one) => (
          <option key={one} value={one}>
            {RETURN_WORDS[one]}
          </option>
        ))}
      </select>
      {to === 'origin' && (
        <p className="mt-1 text-sm text-soft">
          In what is published, one link stands here for each spot from which the book leads to this section.
        </p>
      )}
      <OwnWords
        label="Link text"
        value={own}
        otherwise={returnWords(node.type.create({ ...node.attrs, own: '' }))}
        keep={(words) => set({ own: words })}
      />
      <InsideFindings id={node.attrs.id as string} />
      <div className="mt-3 flex gap-1.5">
        {to !== 'origin' && (
          <button
            type="button"
            className="button first:-ml-2.5"
            data-look="quiet"
            data-size="small"
            onClick={follow}
          >
            <CornerUpLeft size={15} aria-hidden="true" /> Follow
          </button>
        )}
        <RemoveNode words="Remove" view={view} node={node} position={position} />
      </div>
    </div>
  );
}
