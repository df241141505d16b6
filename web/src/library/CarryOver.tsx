import type { Carried, Passage } from '@vennet/core/carry-over';
import { message } from '@vennet/core/language';
import type { CarryOffer } from '@vennet/core/wire';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { GitCompareArrows } from 'lucide-react';
import type { PDFDocumentProxy } from 'pdfjs-dist';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { api } from '../api/client.js';
import { queries } from '../api/queries.js';
import { DialogFoot } from '../parts/DialogFoot.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { useOnce } from '../parts/use-once.js';
import { PageAround, useGroundFiles } from './PageAround.js';

/** Books of which this one may be a newer version. */
export const useCarryOffers = (book: string, enabled = true) =>
  useQuery({ queryKey: ['carry-offers', book], queryFn: () => api.carryOffers(book), enabled, gcTime: 0 });

const BECAUSE: Record<CarryOffer['because'], string> = {
  identifier: 'it has the same identifier',
  title: 'it has the same title',
  words: 'much of its text is the same',
};

/** Says of which book this one may be a newer version, and offers to carry over what was made there. */
export function CarryOffers({
  offers,
  choose,
}: {
  offers: readonly CarryOffer[];
  choose(offer: CarryOffer): void;
}) {
  if (offers.length === 0) return null;
  return (
    <section aria-label="An older version" className="my-4 border-l-4 border-amber py-1 pl-3">
      <ul className="space-y-2">
        {offers.map((offer) => (
          <li key={offer.id} className="flex flex-wrap items-center justify-between gap-2">
            <p>
              This may be a new version of <span className="font-text font-semibold">{offer.title}</span>:{' '}
              {BECAUSE[offer.because]}.
            </p>
            <button type="button" className="button" data-size="small" onClick={() => choose(offer)}>
              See what can be carried over
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Opens what can be carried over to a book of the Library. */
export function CarryOver({ book, title }: { book: string; title: string }) {
  const [isOpen, setOpen] = useState(false);
  const [from, setFrom] = useState<CarryOffer | null>(null);
  const { data: offers } = useCarryOffers(book, isOpen);
  return (
    <Dialog.Root
      open={isOpen}
      onOpenChange={(open) => {
        setOpen(open);
        setFrom(null);
      }}
    >
      <Dialog.Trigger
        className="button"
        data-look="quiet"
        aria-label={`Carry over to ${title} from an older version`}
        title="Carry over from an older version"
      >
        <GitCompareArrows size={16} aria-hidden="true" />
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog" data-size="wide" aria-describedby={undefined}>
          {from ? (
            <CarryPlan book={book} from={from} end={() => setOpen(false)} />
          ) : (
            <>
              <Dialog.Title className="text-xl font-semibold">Carry over from an older version</Dialog.Title>
              <p className="mt-1 text-soft">
                Links, bookmarks, notes and references that were made in an older version of this book, and
                the reasons for which findings were set aside.
              </p>
              {offers?.length === 0 && (
                <p className="mt-4">
                  No other book in your Library has this title, an identifier or the words of it.
                </p>
              )}
              {offers ? (
                <CarryOffers offers={offers} choose={setFrom} />
              ) : (
                <p role="status">Looking through the Library</p>
              )}
              <div className="mt-5 flex justify-end">
                <Dialog.Close className="button" data-look="quiet">
                  Close
                </Dialog.Close>
              </div>
            </>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** What a thing is called that has no words, where its kind does not say it. */
const CALLED: Partial<Record<Carried['kind'], string>> = { entry: 'entry of the outline' };

const keyOf = ({ kind, id }: Carried): string => `${kind} ${id}`;

/** What becomes of everything that was made in an older version: what is sure, what is to be looked at, and what has no spot. */
export function CarryPlan({ book, from, end }: { book: string; from: CarryOffer; end(): void }) {
  const { data, error } = useQuery({
    queryKey: ['carry-plan', book, from.id],
    queryFn: () => api.carryPlan(book, from.id),
    gcTime: 0,
  });
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  const files = useGroundFiles();
  const client = useQueryClient();
  const items = data?.items ?? [];
  const of = (fate: Carried['fate']) => items.filter((item) => item.fate === fate);
  // What is sure is ticked from the start, what is to be looked at is not.
  const isTaken = (item: Carried) => (item.fate === 'sure') !== turned.has(keyOf(item));
  const taken = items.filter((item) => (item.fate === 'sure' || item.fate === 'look') && isTaken(item));
  const turn = (item: Carried) => {
    const next = new Set(turned);
    if (!next.delete(keyOf(item))) next.add(keyOf(item));
    setTurned(next);
  };
  const carrying = useOnce(async () => {
    try {
      const { changed, change } = await api.carryOver(book, { from: from.id, take: taken.map(keyOf) });
      const { tell } = useNotices.getState();
      const takeBack = () => void api.takeBack(book, change ?? '').then(() => tell('Taken back.'), tellFault);
      tell(
        message('{count, plural, one {# thing was} other {# things were}} carried over.', { count: changed }),
        change ? { action: { label: 'Take it back', run: takeBack } } : {},
      );
      await client.invalidateQueries(queries.books());
      end();
    } catch (fault) {
      tellFault(fault);
    }
  });
  return (
    <>
      <Dialog.Title className="text-xl font-semibold">What can be carried over</Dialog.Title>
      <p className="mt-1 text-soft">
        From <span className="font-text">{from.title}</span>. Nothing is dropped: what has no spot any more
        stands below, and the older book stays as it is.
      </p>
      {error && (
        <p role="alert" className="mt-3">
          {error.message}
        </p>
      )}
      {!data && !error && (
        <p role="status" className="mt-3">
          Comparing the two texts
        </p>
      )}
      {data && (
        <div className="mt-4 max-h-[52vh] space-y-5 overflow-y-auto pr-2">
          <Group
            title="To be looked at"
            about="Old on the left, new on the right. Tick what is right."
            items={of('look')}
            isTaken={isTaken}
            turn={turn}
            pages={{ old: () => files(from.id), fresh: () => files(book) }}
            isOpen
          />
          <Group
            title="Sure"
            about="The words and what stands around them are the same."
            items={of('sure')}
            isTaken={isTaken}
            turn={turn}
            isOpen={of('look').length === 0}
          />
          <Group title="Without a spot" about="They stay in the older book." items={of('gone')} />
          <Group title="There already" about="The new version has them itself." items={of('there')} />
        </div>
      )}
      <DialogFoot off={taken.length === 0 || carrying.isUnderWay} act={() => carrying.run()}>
        {message('Carry over {count}', { count: taken.length })}
      </DialogFoot>
    </>
  );
}

interface GroupProps {
  title: string;
  about: string;
  items: readonly Carried[];
  isTaken?(item: Carried): boolean;
  turn?(item: Carried): void;
  /** The finished files of both editions, where pages are to be seen. */
  pages?: { old(): Promise<PDFDocumentProxy>; fresh(): Promise<PDFDocumentProxy> };
  isOpen?: boolean;
}

function Group({ title, about, items, isTaken, turn, pages, isOpen = false }: GroupProps) {
  if (items.length === 0) return null;
  return (
    <details open={isOpen}>
      <summary className="cursor-pointer">
        <span className="font-semibold">{title}</span> <span className="tabular-nums">{items.length}</span>{' '}
        <span className="text-soft">{about}</span>
      </summary>
      <ul className="mt-2 divide-y divide-line border-y border-line">
        {items.map((item) => (
          <li key={keyOf(item)} className="grid grid-cols-[1.5rem_1fr_1fr] items-start gap-x-3 py-2">
            {isTaken && turn ? (
              <input
                type="checkbox"
                className="mt-1 accent-amber"
                checked={isTaken(item)}
                onChange={() => turn(item)}
                aria-label={`${CALLED[item.kind] ?? item.kind} ${item.old.words || item.about}`}
              />
            ) : (
              <span />
            )}
            <Side passage={item.old} item={item} file={pages?.old} />
            <div>
              {item.new && item.fate !== 'there' && (
                <Side passage={item.new} item={item} file={pages?.fresh} />
              )}
              {item.why && <p className="text-sm text-soft">{item.why}</p>}
            </div>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Words as they stand in one of the versions; of a book of pages the part of the page, too. */
function Side({
  passage: { chapter, before, words, after, on },
  item,
  file,
}: {
  passage: Passage;
  item: Carried;
  file?: (() => Promise<PDFDocumentProxy>) | undefined;
}) {
  return (
    <div className="min-w-0">
      <p className="font-text leading-snug break-words">
        {before}
        <mark className="rounded-sm bg-wash text-ink">{words || `(${CALLED[item.kind] ?? item.kind})`}</mark>
        {after}
        <span className="block font-ui text-xs text-soft">
          {[chapter, item.about].filter(Boolean).join(' · ')}
        </span>
      </p>
      {on && file && <PageAround on={on} file={file} />}
    </div>
  );
}
