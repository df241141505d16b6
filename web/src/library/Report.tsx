import type { BringInReport, ReportLine } from '@vennet/core/bring-in';

/** What became of everything in a file that was brought in, with counts. */
export function Report({ report }: { report: BringInReport }) {
  return (
    <div className="space-y-4">
      <section>
        <h3 className="mb-1 font-semibold">Kept</h3>
        <ul className="flex flex-wrap gap-x-4 gap-y-1">
          {report.kept.map((line) => (
            <li key={line.what}>
              <span className="font-semibold tabular-nums">{line.count.toLocaleString('en')}</span>{' '}
              {counted(line)}
            </li>
          ))}
        </ul>
      </section>
      <Lines title="Changed" lines={report.changed} none="Nothing was changed." />
      <Lines title="Left out" lines={report.leftOut} none="Nothing was left out." />
    </div>
  );
}

/** `list of contents` for one of the `lists of contents`. */
const counted = ({ what, count }: Pick<ReportLine, 'what' | 'count'>): string =>
  count === 1 ? what.replace(/(\p{L})s(?!\p{L})/u, '$1') : what;

function Lines({ title, lines, none }: { title: string; lines: ReportLine[]; none: string }) {
  return (
    <section>
      <h3 className="mb-1 font-semibold">{title}</h3>
      {lines.length === 0 ? (
        <p className="text-soft">{none}</p>
      ) : (
        <ul className="space-y-0.5">
          {lines.map(({ what, count, why }) => (
            <li key={what + why}>
              <span className="font-semibold tabular-nums">{count.toLocaleString('en')}</span>{' '}
              {counted({ what, count })}
              {why && <span className="text-soft">: {why}</span>}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
