import { useId } from 'react';
import { readEntry, spreadMailto, type DestinationEntry } from './destination-entry.js';

/** The fields of an email beside its addresses (RFC 6068). */
export function MailFields({
  entry,
  change,
}: {
  entry: DestinationEntry;
  change(entry: DestinationEntry): void;
}) {
  const id = useId();
  const { badCopies } = readEntry(entry);
  const { mail } = spreadMailto(entry);
  const set = (more: Partial<DestinationEntry['mail']>) => {
    const spread = spreadMailto(entry);
    change({ ...spread, mail: { ...spread.mail, ...more } });
  };
  return (
    <fieldset className="mt-2 space-y-1.5 border-l-2 border-line pl-3">
      <legend className="sr-only">The email</legend>
      <label className="block">
        <span className="label">Subject</span>
        <input
          className="field"
          value={mail.subject}
          onChange={(event) => set({ subject: event.target.value })}
        />
      </label>
      <label className="block">
        <span className="label">Cc</span>
        <input
          className="field"
          spellCheck={false}
          value={mail.cc}
          aria-invalid={badCopies ? true : undefined}
          aria-describedby={badCopies ? `${id}-cc` : undefined}
          onChange={(event) => set({ cc: event.target.value })}
        />
      </label>
      {badCopies && (
        <p id={`${id}-cc`} className="text-sm" style={{ color: 'var(--broken)' }}>
          Write addresses with commas between them: ada@lamp.example, joe@lamp.example
        </p>
      )}
      <label className="block">
        <span className="label">Body</span>
        <textarea
          className="field"
          rows={2}
          value={mail.body}
          onChange={(event) => set({ body: event.target.value })}
        />
      </label>
    </fieldset>
  );
}
