import { reportWords, type BringInReport, type ReportLine } from '@vennet/core/bring-in';

/** What became of everything in a file that was brought in, with counts. */
export function Report({ report }: { report: BringInReport }) {
  return (
    <div className="space-y-4">
      <section>
        <h3 className="mb-1 font-semibold">Kept</h3>
        <ul className="flex flex-wrap gap-x-4 gap-y-1">
          {report.kept.map((line) => (
            <li key={line.what}>
              <Count line={line} />
            </li>
          ))}
        </ul>
      </section>
      <Lines title="Changed" lines={report.changed} none="Nothing was changed." />
      <Lines title="Left out" lines={report.leftOut} none="Nothing was left out." />
    </div>
  );
}

/** How many of what: `1 list of contents`, `1,200 words`. */
function Count({ line }: { line: Pick<ReportLine, 'what' | 'count'> }) {
  const [number, ...words] = reportWords(line).split(' ');
  return (
    <>
      <span className="font-semibold tabular-nums">{number}</span> {words.join(' ')}
    </>
  );
}

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
              <Count line={{ what, count }} />
              {why && <span className="text-soft">: {why}</span>}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
