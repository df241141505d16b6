import { VERDICT_ASIDE, type Finding } from '@vennet/core/audit';
import type { Link } from '@vennet/core/manuscript';
import type { Repair } from '@vennet/core/repair';
import type { Manuscript, RepairTarget } from '@vennet/core/wire';
import { X } from 'lucide-react';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { AsideLine } from '../findings/AsideLine.js';
import { FindingLine } from '../findings/FindingLine.js';
import { VerdictOffers } from '../findings/VerdictOffers.js';
import { KindMark } from '../parts/KindMark.js';
import { VerdictMark } from '../parts/VerdictMark.js';
import { when } from '../parts/when.js';
import { CorrectAddress } from './CorrectAddress.js';
import { History } from './History.js';
import { isVerdictAside, type Row } from './rows.js';
import { Saying } from './Saying.js';
import { asideOfFinding, type AsideWish } from './SetAsideDialog.js';
import type { Checks } from './use-checks.js';

interface PanelProps {
  row: Row;
  book: Manuscript;
  /** Its address was corrected for all its uses. */
  corrected(): void;
  /** Something was repaired: the author goes on in the list. */
  repaired(): void;
  close(): void;
  checks: Checks;
  setAside(wish: AsideWish): void;
}

/** Uses that are shown at first, and more at each press. */
const PAGE = 20;

/** One destination, or one link, beside the list: what the check says, each use in its sentence, and what can be done. */
export function RowPanel({ row, book, corrected, repaired, close, checks, setAside }: PanelProps) {
  const [first] = row.uses;
  const choices = useBook((store) => store.choices);
  const isAside = isVerdictAside(row, choices, new Date().toISOString().slice(0, 10));
  const repairAll = async (change: Repair) => {
    const done = await openBook().bulk.repair({ target: { href: row.href }, repair: change });
    if (done && change.type === 'destination') corrected();
  };
  const canBeAside = row.verdict !== 'sound' && row.verdict !== 'unchecked';
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- the way out by key, from anything in it
    <section
      aria-label="Opened"
      className="border-strong-line bg-sheet p-4 max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 max-lg:z-20 max-lg:max-h-[65vh] max-lg:overflow-auto max-lg:border-t max-lg:shadow-lg lg:sticky lg:top-0 lg:max-h-[calc(100vh-4rem)] lg:overflow-auto lg:rounded-md lg:border"
      onKeyDown={(event) => {
        if (event.key === 'Escape' && !event.defaultPrevented) close();
      }}
    >
      <div className="flex items-start justify-between gap-3">
        <h2 className="flex min-w-0 items-start gap-2 text-lg font-semibold wrap-anywhere">
          <span className="mt-1">
            <KindMark kind={first.kind} />
          </span>
          {row.leads}
        </h2>
        <button
          type="button"
          className="button"
          data-look="quiet"
          data-size="small"
          aria-label="Close"
          onClick={close}
        >
          <X size={16} aria-hidden="true" />
        </button>
      </div>
      {row.title && <p className="mt-0.5 font-text text-soft">“{row.title}”</p>}
      <p className="mt-2">
        <VerdictMark verdict={row.verdict} withWord /> {row.about.reason}
        {row.checkedAt && <span className="text-soft"> Checked {when(row.checkedAt, 'moment')}.</span>}
      </p>
      {first.kind === 'web' && <p className="text-sm break-all text-soft">{row.href}</p>}
      {row.about.quote && <p className="mt-0.5 text-sm break-words text-soft">Found: “{row.about.quote}”</p>}
      {first.kind === 'web' && (
        <VerdictOffers
          verdict={row.about}
          besideToo={row.uses.some(({ carrier }) => carrier === 'text')}
          repair={(change) => void repairAll(change)}
        />
      )}
      {isAside ? (
        <AsideLine rule={VERDICT_ASIDE} of={row.href} />
      ) : (
        canBeAside && (
          <button
            type="button"
            className="button mt-2"
            data-size="small"
            onClick={() =>
              setAside({
                words: `The verdict “${row.verdict}” on ${row.leads}`,
                entries: [{ rule: VERDICT_ASIDE, of: row.href, print: row.verdict }],
              })
            }
          >
            Set the verdict aside …
          </button>
        )
      )}
      {row.asked !== null && 'said' in row.about && (
        <>
          <Saying book={book.id} href={row.asked} about={row.about} />
          <History key={row.about.checkedAt} book={book.id} href={row.asked} />
        </>
      )}
      <Uses row={row} book={book} repaired={repaired} setAside={setAside} />
      <CorrectAddress row={row} checks={checks} corrected={corrected} close={close} />
    </section>
  );
}

function Uses({ row, book, repaired, setAside }: Pick<PanelProps, 'row' | 'book' | 'repaired' | 'setAside'>) {
  const findings = useBook((store) => store.findings);
  const aside = useBook((store) => store.aside);
  const [most, setMost] = useState(PAGE);
  const repair = async (target: RepairTarget, change: Repair) => {
    if (await openBook().bulk.repair({ target, repair: change })) repaired();
  };
  const put = (link: Link, finding: Finding) =>
    setAside({ words: finding.message, entries: [asideOfFinding(link, finding)] });
  return (
    <>
      <ul aria-label="Uses" className="my-4 space-y-3">
        {row.uses.slice(0, most).map((link) => (
          <li key={link.id} className="border-l-2 border-line pl-3">
            <p className="font-text leading-relaxed break-words">
              {link.before}
              <mark className="rounded-sm bg-wash px-0.5 text-ink">{link.text || '(no words)'}</mark>
              {link.after}
            </p>
            <p className="mt-0.5 flex flex-wrap gap-x-3 text-sm text-soft">
              {book.chapters.find(({ id }) => id === link.chapter)?.title}
              <RouterLink
                className="text-ink underline"
                to={`/books/${book.id}/write/${link.chapter}?link=${link.id}`}
              >
                Show it in the text
              </RouterLink>
            </p>
            {(findings.get(link.id) ?? []).map((finding) => (
              <div key={finding.rule} className="mt-2">
                <FindingLine
                  finding={finding}
                  repair={(change) => void repair({ links: [link.id] }, change)}
                  setAside={() => put(link, finding)}
                />
              </div>
            ))}
            {(aside.get(link.id) ?? []).map(({ finding }) => (
              <AsideLine key={finding.rule} rule={finding.rule} of={link.id} finding={finding} />
            ))}
          </li>
        ))}
      </ul>
      {row.uses.length > most && (
        <button type="button" className="button mb-4" data-size="small" onClick={() => setMost(most + PAGE)}>
          Show {Math.min(PAGE, row.uses.length - most)} more of {row.uses.length}
        </button>
      )}
    </>
  );
}
