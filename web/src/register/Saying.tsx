import type { Said, VerdictName } from '@vennet/core/reach';
import type { DestinationVerdict, NewSaying } from '@vennet/core/wire';
import { useQueryClient } from '@tanstack/react-query';
import { ExternalLink } from 'lucide-react';
import { useId, useState } from 'react';
import { api } from '../api/client.js';
import { queries } from '../api/queries.js';
import { useWorldPort, visitAddress } from '../follow/facts.js';
import { Choice } from '../parts/Choice.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { when } from '../parts/when.js';

/** Where a program can't tell, the author looks. */
const ASKED_OF_AUTHOR: ReadonlySet<VerdictName> = new Set(['guarded', 'doubtful', 'unreachable']);

const READERS: [Said['readers'], string][] = [
  ['everyone', 'Everyone, without signing in'],
  ['members', 'Members, or who signs in'],
  ['house', 'Only people of one house or organisation'],
];

/** What the author saw at a destination that a program can't judge: kept with its day, for a time. */
export function Saying({ book, href, about }: { book: string; href: string; about: DestinationVerdict }) {
  const client = useQueryClient();
  const worldPort = useWorldPort();
  const [open, setOpen] = useState(false);
  const { said, verdict } = about;
  const keep = async (work: () => Promise<void>, words: string) => {
    try {
      await work();
      setOpen(false);
      await client.invalidateQueries(queries.verdicts(book));
      await client.invalidateQueries(queries.checks(book));
      await client.invalidateQueries(queries.history(book, href));
      useNotices.getState().announce(words);
    } catch (error) {
      tellFault(error);
    }
  };
  if (said)
    return (
      <p className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
        <span>
          {said.note && <>“{said.note}” </>}
          <span className="text-soft">
            What you said on {when(said.at, 'day')} holds until {when(said.until, 'day')}.
          </span>
        </span>
        <button
          type="button"
          className="button"
          data-look="quiet"
          data-size="small"
          onClick={() => void keep(() => api.unsay(book, href), 'What you said was taken back.')}
        >
          Take it back
        </button>
      </p>
    );
  if (!ASKED_OF_AUTHOR.has(verdict)) return null;
  if (!open)
    return (
      <div className="mt-2 mb-2 flex flex-wrap gap-1.5">
        {/^https?:/.test(href) && (
          <a
            className="button"
            data-size="small"
            href={visitAddress(href, worldPort)}
            target="_blank"
            rel="noreferrer noopener"
          >
            <ExternalLink size={15} aria-hidden="true" /> Open it yourself
          </a>
        )}
        <button type="button" className="button" data-size="small" onClick={() => setOpen(true)}>
          Say what you saw
        </button>
      </div>
    );
  return (
    <SayingForm
      keep={(seen) => void keep(() => api.say(book, { href, ...seen }), 'What you saw is kept.')}
      close={() => setOpen(false)}
    />
  );
}

type Seen = Omit<NewSaying, 'href'>;

function SayingForm({ keep, close }: { keep(seen: Seen): void; close(): void }) {
  const id = useId();
  const [saw, setSaw] = useState<Said['saw']>('opens');
  const [readers, setReaders] = useState<Said['readers']>('everyone');
  const [from, setFrom] = useState('');
  const [note, setNote] = useState('');
  return (
    <form
      aria-label="What you saw"
      className="mt-2 mb-3 max-w-2xl rounded-md border border-line bg-raised p-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep({ saw, readers: saw === 'opens' ? readers : 'everyone', from, note: note.trim() });
      }}
    >
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
        <legend className="label">What you saw</legend>
        <Choice name={`${id}-saw`} words="It opens" on={saw === 'opens'} pick={() => setSaw('opens')} />
        <Choice
          name={`${id}-saw`}
          words="It is not there"
          on={saw === 'does-not-open'}
          pick={() => setSaw('does-not-open')}
        />
      </fieldset>
      {saw === 'opens' && (
        <>
          <fieldset className="mt-2.5 space-y-1">
            <legend className="label">For which readers</legend>
            {READERS.map(([value, words]) => (
              <Choice
                key={value}
                name={`${id}-readers`}
                words={words}
                on={readers === value}
                pick={() => setReaders(value)}
              />
            ))}
          </fieldset>
          <p className="mt-1 text-sm text-soft">
            If you are signed in there, you see what readers will not: sign out first, or try a private
            window.
          </p>
          <div className="mt-2.5 flex flex-wrap gap-4">
            <div>
              <label className="label" htmlFor={`${id}-from`}>
                Opens from
              </label>
              <input
                id={`${id}-from`}
                type="date"
                className="field !w-44"
                value={from}
                onChange={(event) => setFrom(event.target.value)}
              />
            </div>
          </div>
        </>
      )}
      <div className="mt-2.5">
        <label className="label" htmlFor={`${id}-note`}>
          Note for yourself
        </label>
        <input
          id={`${id}-note`}
          className="field"
          maxLength={500}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </div>
      <div className="mt-3 flex gap-2">
        <button type="submit" className="button" data-look="main" data-size="small">
          Keep what I saw
        </button>
        <button type="button" className="button" data-look="quiet" data-size="small" onClick={close}>
          Not now
        </button>
      </div>
    </form>
  );
}
