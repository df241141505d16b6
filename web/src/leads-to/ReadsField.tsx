import { formsFor, OWN_PARTS, type Place, type ReferenceForm } from '@vennet/core/manuscript';
import { useEffect, useId, useRef } from 'react';
import { useBook } from '../book/store.js';
import type { Reading } from '../editor/changes/change-references.js';
import { wordsAt } from '../book/said.js';
import { openBook } from '../book/open-book.js';

const FORM_WORDS: Record<ReferenceForm, string> = {
  words: 'Its words',
  number: 'Its number',
  'number-words': 'Its number and words',
  page: 'Its page',
  where: 'Above or below',
  own: 'My words around these',
};

const PART_WORDS = {
  words: 'its words',
  number: 'its number',
  page: 'its page',
  where: 'above or below',
} as const;

/** Chooses what a link to a place reads. Only forms that mean something there are offered, each as it reads now. */
export function ReadsField({
  place,
  order,
  reading,
  change,
}: {
  place: Place;
  /** Where the link stands in reading order. */
  order: number;
  reading: Reading;
  change(reading: Reading): void;
}) {
  const id = useId();
  const field = useRef<HTMLInputElement>(null);
  const pages = useBook((store) => store.pages);
  // What a page reads is known once pages were set.
  useEffect(() => openBook().pages.ask(), []);
  const forms = formsFor(place);
  const listed = reading.form && !forms.includes(reading.form) ? [...forms, reading.form] : forms;
  const sample = (form: ReferenceForm) => wordsAt({ form, own: reading.own }, place.id, order);
  const parts = (Object.keys(OWN_PARTS) as (keyof typeof OWN_PARTS)[]).filter((part) => forms.includes(part));
  const put = (part: keyof typeof OWN_PARTS) => {
    const at = field.current?.selectionStart ?? reading.own.length;
    const own = reading.own.slice(0, at) + OWN_PARTS[part] + reading.own.slice(at);
    change({ ...reading, own });
    field.current?.focus();
  };
  return (
    <div className="mt-2.5" data-pages={pages ? 'known' : undefined}>
      <label className="label" htmlFor={`${id}-reads`}>
        Reads
      </label>
      <select
        id={`${id}-reads`}
        className="field"
        value={reading.form ?? ''}
        onChange={(event) =>
          change({ ...reading, form: (event.target.value || null) as ReferenceForm | null })
        }
      >
        <option value="">Words that I write</option>
        {listed.map((form) => (
          <option key={form} value={form}>
            {form === 'own' ? FORM_WORDS.own : `${FORM_WORDS[form]}: ${sample(form)}`}
          </option>
        ))}
      </select>
      {reading.form === 'own' && (
        <div className="mt-1.5 border-l-2 border-line pl-3">
          <label className="label" htmlFor={`${id}-own`}>
            My words
          </label>
          <input
            ref={field}
            id={`${id}-own`}
            className="field"
            value={reading.own}
            onChange={(event) => change({ ...reading, own: event.target.value })}
          />
          <p className="mt-1 flex flex-wrap items-center gap-1 text-sm">
            <span className="text-soft">Put in</span>
            {parts.map((part) => (
              <button key={part} type="button" className="button" data-size="small" onClick={() => put(part)}>
                {PART_WORDS[part]}
              </button>
            ))}
          </p>
        </div>
      )}
      {reading.form === 'own' && (
        <p className="mt-1 text-sm text-soft" data-testid="reads-now">
          Reads now: “{sample('own')}”
        </p>
      )}
    </div>
  );
}
