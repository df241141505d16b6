import type { Destination } from '@vennet/core/destination';
import type { Verdict } from '@vennet/core/reach';
import type { Repair } from '@vennet/core/repair';
import type { DestinationVerdict } from '@vennet/core/wire';
import { ownWords, useBook } from '../book/store.js';
import { when } from '../parts/when.js';

interface OffersProps {
  verdict: Verdict | DestinationVerdict;
  repair(repair: Repair): void;
  /** Whether a copy can stand behind the words of the link. */
  besideToo: boolean;
}

/** What may stand in the book instead of an address, or beside it: where it moved, its HTTPS, a copy in an archive. */
export function VerdictOffers({ verdict, repair, besideToo }: OffersProps) {
  const language = useBook((store) => store.book?.language ?? 'en');
  const { movedTo, securedTo } = verdict;
  const copy = 'copy' in verdict ? verdict.copy : null;
  if (!movedTo && !securedTo && !copy) return null;
  const lead = (href: string) => repair({ type: 'destination', destination: { kind: 'web', href } });
  const beside = ({ href, at }: NonNullable<typeof copy>) => {
    const destination: Destination = { kind: 'web', href };
    const day = new Intl.DateTimeFormat(language, { dateStyle: 'long' }).format(new Date(at));
    const words = `${ownWords().archivedCopy} ${day}`;
    repair({ type: 'beside', destination, words, id: `copy-${crypto.randomUUID().slice(0, 8)}` });
  };
  return (
    <div className="mt-1.5 flex flex-wrap gap-1.5">
      {movedTo && <Offer words={`Lead to ${movedTo}`} take={() => lead(movedTo)} />}
      {securedTo && <Offer words={`Lead to ${securedTo}`} take={() => lead(securedTo)} />}
      {copy && (
        <>
          <Offer
            words={`Lead to the copy of ${when(copy.at, 'day')} in the archive`}
            take={() => lead(copy.href)}
          />
          {besideToo && <Offer words="Put the copy behind the link" take={() => beside(copy)} />}
        </>
      )}
    </div>
  );
}

const Offer = ({ words, take }: { words: string; take(): void }) => (
  <button
    type="button"
    className="button !h-auto !justify-start text-left break-all"
    data-size="small"
    onClick={take}
  >
    {words}
  </button>
);
