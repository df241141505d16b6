import { useVirtualizer } from '@tanstack/react-virtual';
import { counted } from '@vennet/core/language';
import type { Link } from '@vennet/core/manuscript';
import { afterRepairs, type Plan, type Planned } from '@vennet/core/repair';
import { ArrowRight } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useMemo, useRef, useState } from 'react';
import { readable } from '../book/destination-words.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { DialogFoot } from '../parts/DialogFoot.js';
import { VerdictMark } from '../parts/VerdictMark.js';
import type { Checks } from './use-checks.js';

/** A repair of many links before it is made. */
export interface BulkWish {
  /** What is done, as a heading and in the list of versions. */
  words: string;
  plan: Plan;
}

interface BulkProps {
  wish: BulkWish | null;
  checks: Checks;
  close(): void;
  done(): void;
}

/** Shows what a repair of many links would make of each, before it is made as one change. */
export function BulkDialog({ wish, close, ...more }: BulkProps) {
  return (
    <Dialog.Root open={wish !== null} onOpenChange={close}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog !w-[min(60rem,calc(100vw-2rem))]" aria-describedby={undefined}>
          {wish && <Preview wish={wish} close={close} {...more} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Preview({ wish: { words, plan }, checks, close, done }: BulkProps & { wish: BulkWish }) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [isBusy, setBusy] = useState(false);
  const ticked = plan.planned.filter(({ link }) => !left.has(link));
  const addresses = useMemo(() => newAddresses(plan.planned), [plan]);
  const tick = (link: string) => {
    const now = new Set(left);
    if (!now.delete(link)) now.add(link);
    setLeft(now);
  };
  const make = async () => {
    setBusy(true);
    const isDone = await openBook().bulk.repairMany(words, ticked);
    setBusy(false);
    if (!isDone) return;
    close();
    done();
  };
  return (
    <>
      <Dialog.Title className="text-xl font-semibold">{words}</Dialog.Title>
      <div className="mt-2 flex flex-wrap items-center justify-between gap-3 text-sm">
        <p role="status">
          {plan.planned.length === 0
            ? 'Nothing would change.'
            : `${ticked.length} of ${counted(plan.planned.length, 'link', 'links')} ticked. The book as it is now is kept as a version.`}
        </p>
        <span className="flex gap-2">
          {addresses.length > 0 && <CheckFirst addresses={addresses} checks={checks} />}
          {plan.planned.length > 1 && (
            <button
              type="button"
              className="button"
              data-look="quiet"
              data-size="small"
              onClick={() =>
                setLeft(left.size > 0 ? new Set() : new Set(plan.planned.map(({ link }) => link)))
              }
            >
              {left.size > 0 ? 'Tick all' : 'Untick all'}
            </button>
          )}
        </span>
      </div>
      {plan.planned.length > 0 && <PlannedList planned={plan.planned} left={left} tick={tick} />}
      {plan.refused.length > 0 && (
        <div className="mt-3">
          <h3 className="text-sm font-semibold">
            {counted(plan.refused.length, 'address stays as it is', 'addresses stay as they are')}
          </h3>
          <ul className="mt-1 max-h-32 space-y-1 overflow-auto text-sm">
            {plan.refused.slice(0, 100).map(({ link, href, reason }) => (
              <li key={link} className="break-all">
                {readable(href)} <span className="text-soft">{reason}</span>
              </li>
            ))}
          </ul>
        </div>
      )}
      <DialogFoot off={ticked.length === 0 || isBusy} act={() => void make()}>
        Change {counted(ticked.length, 'link', 'links')}
      </DialogFoot>
    </>
  );
}

/** The web addresses that come into the book. */
function newAddresses(planned: readonly Planned[]): string[] {
  const hrefs = planned.flatMap(({ was, repairs }) =>
    repairs.flatMap((repair) =>
      repair.type === 'destination' &&
      repair.destination.kind === 'web' &&
      repair.destination.href !== was.href
        ? [repair.destination.href]
        : [],
    ),
  );
  return [...new Set(hrefs)];
}

/** Asks the network for the new addresses before they come into the book. */
function CheckFirst({ addresses, checks }: { addresses: string[]; checks: Checks }) {
  const verdicts = useBook((store) => store.verdicts);
  const open = addresses.filter((href) => !verdicts.has(href));
  if (checks.current)
    return (
      <span role="status">
        Checking {checks.current.done} of {checks.current.total}
      </span>
    );
  if (open.length === 0) return <span className="text-soft">All new addresses were checked.</span>;
  return (
    <button
      type="button"
      className="button"
      data-size="small"
      onClick={() => void checks.start({ hrefs: open, candidates: true })}
    >
      Check {counted(open.length, 'new address', 'new addresses')} first
    </button>
  );
}

function PlannedList({
  planned,
  left,
  tick,
}: {
  planned: readonly Planned[];
  left: ReadonlySet<string>;
  tick(link: string): void;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  const links = useBook((store) => store.links);
  const verdicts = useBook((store) => store.verdicts);
  const byId = useMemo(() => new Map(links.map((link) => [link.id, link])), [links]);
  // eslint-disable-next-line react-hooks/incompatible-library -- its values stay in this component
  const rows = useVirtualizer({
    count: planned.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 72,
    overscan: 8,
  });
  return (
    <div
      ref={scroller}
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- a scrolled list has to be reached by key (WCAG 2.1.1)
      tabIndex={0}
      className="mt-2 max-h-[46vh] overflow-y-auto border-y border-line"
    >
      <ul aria-label="What would change" className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map(({ index, start }) => {
          const one = planned[index]!;
          const link = byId.get(one.link);
          const id = `planned-${one.link}`;
          return (
            <li
              key={one.link}
              ref={rows.measureElement}
              data-index={index}
              aria-setsize={planned.length}
              aria-posinset={index + 1}
              className="absolute inset-x-0 flex gap-2.5 border-b border-line px-1.5 py-2"
              style={{ transform: `translateY(${start}px)` }}
            >
              <input
                id={id}
                type="checkbox"
                className="mt-1.5 self-start accent-amber"
                checked={!left.has(one.link)}
                onChange={() => tick(one.link)}
              />
              <label htmlFor={id} className="min-w-0 grow cursor-pointer">
                {link ? <BeforeAfter link={link} planned={one} verdicts={verdicts} /> : 'This link is gone.'}
              </label>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

function BeforeAfter({
  link,
  planned,
  verdicts,
}: {
  link: Link;
  planned: Planned;
  verdicts: ReturnType<typeof useBook.getState>['verdicts'];
}) {
  const after = afterRepairs(link, planned.repairs);
  const found = after && verdicts.get(after.href);
  const before = verdicts.get(link.href);
  return (
    <>
      <span className="block font-text leading-snug break-words">
        {link.before}
        {after === null ? (
          <>
            <mark className="rounded-sm bg-wash px-0.5 text-ink">{link.text}</mark>
          </>
        ) : after.text === link.text ? (
          <mark className="rounded-sm bg-wash px-0.5 text-ink">{link.text || '(no words)'}</mark>
        ) : (
          <>
            <del className="text-soft">{link.text || '(no words)'}</del>{' '}
            <ins className="rounded-sm bg-wash px-0.5 text-ink no-underline">{after.text}</ins>
          </>
        )}
        {link.after}
      </span>
      <span className="mt-0.5 flex flex-wrap items-center gap-x-2 text-sm break-all text-soft">
        {after === null ? (
          'The words stay, without a link.'
        ) : after.href === link.href ? (
          <SaidOf planned={planned} />
        ) : (
          <>
            <del>{readable(link.href)}</del>
            <ArrowRight size={14} aria-label="becomes" />
            <ins className="text-ink no-underline">{after.href}</ins>
            {found ? (
              <VerdictMark verdict={found.verdict} withWord />
            ) : (
              [before?.movedTo, before?.securedTo, before?.copy?.href].includes(after.href) && (
                <span>The check has been there.</span>
              )
            )}
          </>
        )}
      </span>
    </>
  );
}

/** What changes beside words and address. */
function SaidOf({ planned: { repairs } }: { planned: Planned }) {
  const said = repairs.flatMap((repair) => {
    switch (repair.type) {
      case 'look':
        return ['Looks like the book’s other links.'];
      case 'hover-note':
        return [repair.hoverNote === '' ? 'The hover note is dropped.' : `Hover note: ${repair.hoverNote}`];
      case 'about':
        return [
          repair.about?.language
            ? `The page is said to be in ${repair.about.language}.`
            : 'Opens in the same window.',
        ];
      case 'join':
        return ['Becomes one link with the next.'];
      case 'reference':
        return ['Becomes a reference, which counts by itself.'];
      case 'area-box':
        return ['Becomes large enough to be hit.'];
      case 'beside':
        return [`Gets “${repair.words}” behind it.`];
      default:
        return [];
    }
  });
  return <>{said.join(' ')}</>;
}
