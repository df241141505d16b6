import { attrsOf, CONTENTS, TOP, type ReturnLinkTo } from '@vennet/core/manuscript';
import { CornerUpLeft } from 'lucide-react';
import { useId } from 'react';
import { RETURN_WORDS, returnWords } from '../book/said.js';
import { goToPlace } from '../editor/going/visited.js';
import { InsideFindings } from '../findings/InsideFindings.js';
import {
  closing,
  OwnWords,
  RemoveNode,
  setAttributes,
  useFirstField,
  whatDiffers,
  type NodeSlipProps,
} from './slip-parts.js';
import { SlipForm } from './SlipForm.js';
import { useSlip } from './use-slip.js';

/** The slip of a return link: where it leads, and its words. */
export function ReturnSlip({ view, node, position, asked }: NodeSlipProps) {
  const id = useId();
  const first = useFirstField<HTMLSelectElement>(asked);
  const { to, own } = attrsOf.returnLink(node);
  const slip = useSlip({
    stored: { to, own },
    write: (values, before) => setAttributes(view, node, position, whatDiffers(tidy(values), before)),
    ...closing(view),
  });
  const follow = () => goToPlace(to === 'top' ? TOP : CONTENTS);
  return (
    <SlipForm label="Slip of the return link" slip={slip} group>
      <label className="label" htmlFor={id}>
        Leads back
      </label>
      <select
        ref={first}
        id={id}
        className="field"
        value={slip.values.to}
        onChange={(event) => slip.choose({ to: event.target.value as ReturnLinkTo })}
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
        value={slip.values.own}
        otherwise={returnWords(node.type.create({ ...node.attrs, own: '' }))}
        change={(words) => slip.change({ own: words })}
        keep={() => slip.choose({ own: slip.values.own })}
      />
      <InsideFindings id={attrsOf.returnLink(node).id} />
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
    </SlipForm>
  );
}

const tidy = <Values extends { own: string }>(values: Values): Values => ({
  ...values,
  own: values.own.trim(),
});
