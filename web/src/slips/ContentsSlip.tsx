import { useId } from 'react';
import { ownWords, useBook } from '../book/store.js';
import { InsideFindings } from '../findings/InsideFindings.js';
import { OwnWords, RemoveNode, setAttributes, useFirstField, type NodeSlipProps } from './slip-parts.js';
import { message } from '@vennet/core/language';

/** The slip of a list of contents: what it lists, how deep, and whether each section leads back to it. */
export function ContentsSlip({ view, node, position, asked }: NodeSlipProps) {
  const id = useId();
  const first = useFirstField<HTMLSelectElement>(asked);
  const places = useBook((store) => store.places);
  const list = useBook((store) => store.contents.get(node.attrs.id as string));
  const { scope, section, depth, back, backWords } = node.attrs as {
    scope: 'book' | 'section';
    section: string | null;
    depth: number;
    back: boolean;
    backWords: string;
  };
  const set = (attributes: Record<string, unknown>) => setAttributes(view, position, attributes);
  const headings = [...places.values()].filter(({ kind, words }) => kind === 'heading' && words !== '');
  const here = list?.section ? places.get(list.section)?.words : '';
  return (
    <div role="group" aria-label="Slip of the list" className="slip">
      <label className="label" htmlFor={`${id}-scope`}>
        Lists the headings of
      </label>
      <select
        ref={first}
        id={`${id}-scope`}
        className="field"
        value={scope === 'book' ? 'book' : (section ?? 'here')}
        onChange={({ target: { value } }) =>
          set(
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
        value={depth}
        onChange={(event) => set({ depth: Number(event.target.value) })}
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
          checked={back}
          onChange={(event) => set({ back: event.target.checked })}
        />
        A way back to this list after each section
      </label>
      {back && (
        <OwnWords
          label="Words of the way back"
          value={backWords}
          otherwise={ownWords().toList}
          keep={(words) => set({ backWords: words })}
        />
      )}
      <p className="mt-2 text-sm text-soft">
        {message('{count, plural, one {One line} other {# lines}}', { count: list?.lines.length ?? 0 })}.
        Press Ctrl and a line to go there.
      </p>
      <InsideFindings id={node.attrs.id as string} />
      <div className="mt-3">
        <RemoveNode words="Remove the list" view={view} node={node} position={position} />
      </div>
    </div>
  );
}
