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
      <Copies label="Cc" value={mail.cc} isBad={badCopies.includes('cc')} change={(cc) => set({ cc })} />
      <Copies label="Bcc" value={mail.bcc} isBad={badCopies.includes('bcc')} change={(bcc) => set({ bcc })} />
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

/** Those who get a copy. */
function Copies({
  label,
  value,
  isBad,
  change,
}: {
  label: string;
  value: string;
  isBad: boolean;
  change(words: string): void;
}) {
  const id = useId();
  return (
    <>
      <label className="block">
        <span className="label">{label}</span>
        <input
          className="field"
          spellCheck={false}
          value={value}
          aria-invalid={isBad ? true : undefined}
          aria-describedby={isBad ? id : undefined}
          onChange={(event) => change(event.target.value)}
        />
      </label>
      {isBad && (
        <p id={id} className="text-sm" style={{ color: 'var(--broken)' }}>
          Write addresses with commas between them: ada@lamp.example, joe@lamp.example
        </p>
      )}
    </>
  );
}
