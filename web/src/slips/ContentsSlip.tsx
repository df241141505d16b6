import { message } from '@vennet/core/language';
import { attrsOf } from '@vennet/core/manuscript';
import { useId } from 'react';
import { ownWords, useBook } from '../book/store.js';
import { OwnLook } from '../choices/OwnLook.js';
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

/** The slip of a list of contents: what it lists, how deep, and whether each section leads back to it. */
export function ContentsSlip({ view, node, position, asked }: NodeSlipProps) {
  const id = useId();
  const first = useFirstField<HTMLSelectElement>(asked);
  const places = useBook((store) => store.places);
  const list = useBook((store) => store.contents.get(attrsOf.contents(node).id));
  const { scope, section, depth, back, backWords, look } = attrsOf.contents(node);
  const slip = useSlip({
    stored: { scope, section, depth, back, backWords, look },
    write: (values, before) =>
      setAttributes(
        view,
        node,
        position,
        whatDiffers({ ...values, backWords: values.backWords.trim() }, before),
      ),
    ...closing(view),
  });
  const { values, choose } = slip;
  const headings = [...places.values()].filter(({ kind, words }) => kind === 'heading' && words !== '');
  const here = list?.section ? places.get(list.section)?.words : '';
  return (
    <SlipForm label="Slip of the list" slip={slip} group>
      <label className="label" htmlFor={`${id}-scope`}>
        Lists the headings of
      </label>
      <select
        ref={first}
        id={`${id}-scope`}
        className="field"
        value={values.scope === 'book' ? 'book' : (values.section ?? 'here')}
        onChange={({ target: { value } }) =>
          choose(
            value === 'book'
              ? { scope: 'book', section: null }
              : { scope: 'section', section: value === 'here' ? null : value },
          )
        }
      >
        <option value="here">This section{scope === 'section' && !section && here ? `: ${here}` : ''}</option>
        <option value="book">The whole book</option>
        <optgroup label="Another section">
          {headings.map((place) => (
            <option key={place.id} value={place.id}>
              {[place.label, place.words].filter(Boolean).join(' ')}
            </option>
          ))}
        </optgroup>
      </select>
      <label className="label mt-2.5" htmlFor={`${id}-depth`}>
        How many levels deep
      </label>
      <select
        id={`${id}-depth`}
        className="field"
        value={values.depth}
        onChange={(event) => choose({ depth: Number(event.target.value) })}
      >
        {[1, 2, 3, 4, 5, 6].map((level) => (
          <option key={level} value={level}>
            {level}
          </option>
        ))}
      </select>
      <label className="mt-2.5 flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="accent-amber"
          checked={values.back}
          onChange={(event) => choose({ back: event.target.checked })}
        />
        A way back to this list after each section
      </label>
      {values.back && (
        <OwnWords
          label="Words of the way back"
          value={values.backWords}
          otherwise={ownWords().toList}
          change={(words) => slip.change({ backWords: words })}
          keep={() => choose({ backWords: values.backWords })}
        />
      )}
      <OwnLook look={values.look} change={(own) => choose({ look: own })} />
      <p className="mt-2 text-sm text-soft">
        {message('{count, plural, one {One line} other {# lines}}', { count: list?.lines.length ?? 0 })}.
        Press Ctrl and a line to go there.
      </p>
      <InsideFindings id={attrsOf.contents(node).id} />
      <div className="mt-3">
        <RemoveNode words="Remove the list" view={view} node={node} position={position} />
      </div>
    </SlipForm>
  );
}
