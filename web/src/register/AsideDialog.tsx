import { allRules, VERDICT_ASIDE, type SetAside } from '@vennet/core/audit';
import { Dialog } from 'radix-ui';
import { useMemo } from 'react';
import { readable } from '../book/destination-words.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { when } from '../parts/when.js';

/** All that is set aside: what, by whom, when, why, and whether it still is as it was. */
export function AsideDialog({ open, show }: { open: boolean; show(open: boolean): void }) {
  return (
    <Dialog.Root open={open} onOpenChange={show}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog !w-[min(56rem,calc(100vw-2rem))]">
          <Dialog.Title className="text-xl font-semibold">Set aside</Dialog.Title>
          <Dialog.Description className="mt-1 mb-3 text-soft">
            What you left as it is. It shows again by itself when the link, its words or its verdict change.
          </Dialog.Description>
          <AsideList />
          <div className="mt-4 flex justify-end">
            <Dialog.Close className="button">Done</Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function AsideList() {
  const entries = useBook((store) => store.choices.aside);
  const holding = useBook((store) => store.aside);
  const links = useBook((store) => store.links);
  const verdicts = useBook((store) => store.verdicts);
  const linkOf = useMemo(() => new Map(links.map((link) => [link.id, link])), [links]);
  const holds = ({ id, of, rule, print }: SetAside) =>
    rule === VERDICT_ASIDE
      ? verdicts.get(of)?.verdict === print
      : (holding.get(of)?.some(({ aside }) => aside.id === id) ?? false);
  if (entries.length === 0)
    return (
      <p className="rounded-md border border-dashed border-strong-line p-6 text-center">
        Nothing is set aside.
      </p>
    );
  return (
    <ul
      aria-label="What is set aside"
      className="max-h-[55vh] divide-y divide-line overflow-auto border-y border-line"
    >
      {entries.map((entry) => {
        const link = linkOf.get(entry.of);
        return (
          <li key={entry.id} className="grid grid-cols-[minmax(0,1fr)_auto] gap-4 py-2.5 pr-2">
            <div className="min-w-0">
              <p className="break-words">
                {entry.rule === VERDICT_ASIDE ? 'The verdict on ' : `${titleOf(entry.rule)}: `}
                <span className="font-text">{link?.text ?? readable(entry.of)}</span>
              </p>
              <p className="text-sm">“{entry.reason}”</p>
              <p className="text-sm text-soft">
                By {entry.author === 'local' ? 'you' : entry.author}, {when(entry.at, 'moment')}
                {entry.until && `, until ${when(entry.until, 'day')}`}
                {!holds(entry) && ' · it has changed since, and shows again'}
              </p>
            </div>
            <button
              type="button"
              className="button"
              data-size="small"
              onClick={() => void openBook().survey.showAgain([entry.id])}
            >
              Show it again
            </button>
          </li>
        );
      })}
    </ul>
  );
}

const titleOf = (rule: string): string => allRules.find(({ id }) => id === rule)?.title ?? rule;
