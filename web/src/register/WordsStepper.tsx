import { suggestedWords } from '@vennet/core/audit';
import { counted } from '@vennet/core/language';
import type { Link } from '@vennet/core/manuscript';
import type { Plan, Planned } from '@vennet/core/repair';
import { Dialog } from 'radix-ui';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useAuditContext } from '../book/audit-context.js';
import { destinationWords } from '../book/destination-words.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';

interface StepperProps {
  links: Link[] | null;
  /** What a rule would put at each link; without, what Vennet would suggest for any. */
  plan: Plan | null;
  /** What is done, for the list of versions. */
  words: string;
  close(): void;
  done(): void;
}

/** Words for many links, picked one by one at the pace of a key, and made as one change at the end. */
export function WordsStepper({ links, close, ...more }: StepperProps) {
  return (
    <Dialog.Root open={links !== null} onOpenChange={close}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog !w-[min(46rem,calc(100vw-2rem))]" aria-describedby={undefined}>
          {links && <Steps links={links} close={close} {...more} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Steps({ links, plan, words, close, done }: StepperProps & { links: Link[] }) {
  const context = useAuditContext();
  const places = useBook((store) => store.places);
  const surroundings = useBook((store) => store.surroundings);
  const [at, setAt] = useState(0);
  const [picked, setPicked] = useState<ReadonlyMap<string, string>>(new Map());
  const field = useRef<HTMLInputElement>(null);
  const link = links[at];
  const offers = useMemo(() => {
    if (!link) return [];
    const ready = plan?.planned.find((one) => one.link === link.id)?.repairs[0];
    const first = ready?.type === 'text' ? [ready.text] : [];
    return [...new Set([...first, ...suggestedWords(link, context)])];
  }, [link, plan, context]);
  const stored = link ? picked.get(link.id) : undefined;
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? stored ?? offers[0] ?? '';
  useEffect(() => {
    setTyped(null);
    field.current?.focus();
    field.current?.select();
  }, [at]);
  const pick = (value: string) => {
    if (!link || value.trim() === '') return;
    setPicked(new Map(picked).set(link.id, value.trim()));
    setAt(at + 1);
  };
  const skip = () => {
    if (!link) return;
    const now = new Map(picked);
    now.delete(link.id);
    setPicked(now);
    setAt(at + 1);
  };
  const make = async () => {
    const planned = links.flatMap(({ id, href, text: before }): Planned[] => {
      const chosen = picked.get(id);
      return chosen === undefined
        ? []
        : [{ link: id, was: { href, text: before }, repairs: [{ type: 'text', text: chosen }] }];
    });
    if (!(await openBook().bulk.repairMany(words, planned))) return;
    close();
    done();
  };
  return (
    <>
      <Dialog.Title className="text-xl font-semibold">{words}</Dialog.Title>
      <p role="status" className="mt-1 text-sm text-soft">
        {link ? `${at + 1} of ${links.length}. ` : 'All looked at. '}
        {counted(picked.size, 'link has', 'links have')} new words.
      </p>
      {link ? (
        <form
          className="mt-3"
          onSubmit={(event) => {
            event.preventDefault();
            pick(text);
          }}
        >
          <p className="font-text text-lg leading-relaxed break-words">
            {link.before}
            <mark className="rounded-sm bg-wash px-0.5 text-ink">{link.text || '(no words)'}</mark>
            {link.after}
          </p>
          <p className="mt-1 text-sm break-all text-soft">
            Leads to {destinationWords(link.destination, { places, surroundings })}
          </p>
          <label className="label mt-3" htmlFor="words-instead">
            Words instead
          </label>
          <input
            id="words-instead"
            ref={field}
            className="field"
            value={text}
            onChange={(event) => setTyped(event.target.value)}
            onKeyDown={(event) => {
              const offer = event.altKey ? offers[Number(event.key) - 1] : undefined;
              if (offer) {
                event.preventDefault();
                pick(offer);
              } else if (event.altKey && event.key === 'ArrowRight') {
                event.preventDefault();
                skip();
              } else if (event.altKey && event.key === 'ArrowLeft' && at > 0) {
                event.preventDefault();
                setAt(at - 1);
              }
            }}
          />
          {offers.length > 0 && (
            <ul aria-label="Words that fit" className="mt-2 space-y-1">
              {offers.map((offer, index) => (
                <li key={offer}>
                  <button
                    type="button"
                    className="button !h-auto !justify-start text-left"
                    data-size="small"
                    onClick={() => pick(offer)}
                  >
                    {offer} <kbd className="text-xs text-soft">Alt+{index + 1}</kbd>
                  </button>
                </li>
              ))}
            </ul>
          )}
          <div className="mt-4 flex flex-wrap justify-between gap-2">
            <span className="flex gap-2">
              <button
                type="button"
                className="button"
                data-look="quiet"
                disabled={at === 0}
                onClick={() => setAt(at - 1)}
              >
                Back
              </button>
              <button type="button" className="button" data-look="quiet" onClick={skip}>
                Skip it <kbd className="text-xs text-soft">Alt+→</kbd>
              </button>
            </span>
            <span className="flex gap-2">
              {picked.size > 0 && (
                <button type="button" className="button" onClick={() => void make()}>
                  Change {counted(picked.size, 'link', 'links')} now
                </button>
              )}
              <button type="submit" className="button" data-look="main" disabled={text.trim() === ''}>
                Take these <kbd className="text-xs opacity-80">Enter</kbd>
              </button>
            </span>
          </div>
        </form>
      ) : (
        <div className="mt-4 flex justify-end gap-2">
          <button type="button" className="button" data-look="quiet" onClick={() => setAt(0)}>
            Look again
          </button>
          <button
            type="button"
            className="button"
            data-look="main"
            disabled={picked.size === 0}
            onClick={() => void make()}
          >
            Change {counted(picked.size, 'link', 'links')}
          </button>
        </div>
      )}
    </>
  );
}
