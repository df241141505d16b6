import type { InsideFinding, SubjectKind } from '@vennet/core/audit';
import { Link } from 'react-router';
import { repairInside } from '../editor/changes/repair-inside.js';
import { useBook } from '../book/store.js';
import { FindingLine } from '../findings/FindingLine.js';

const KIND_WORDS: Record<SubjectKind, string> = {
  bookmark: 'Bookmark',
  place: 'Place',
  note: 'Note',
  mark: 'Mark of a note',
  remark: 'Remark',
  contents: 'List of contents',
  return: 'Return link',
  look: 'Look',
  pages: 'Pages',
};

/** What is found of places, notes and lists: of everything that links inside the book depend on. */
export function InsideTable({ findings }: { findings: readonly InsideFinding[] }) {
  const book = useBook((store) => store.book);
  if (!book || findings.length === 0) return null;
  return (
    <section aria-labelledby="inside-findings" className="mt-8">
      <h2 id="inside-findings" className="mb-1 font-text text-xl">
        Places, notes and lists
      </h2>
      <ul className="border-t border-strong-line">
        {findings.map((finding) => {
          const { subject, rule } = finding;
          const chapter = book.chapters.find(({ id }) => id === subject.chapter);
          return (
            <li
              key={`${rule} ${subject.chapter} ${subject.id}`}
              className="grid grid-cols-[minmax(0,16rem)_minmax(0,1fr)] gap-6 border-b border-line px-2 py-2.5 max-md:grid-cols-1"
            >
              <div>
                <p className="font-semibold">{subject.words}</p>
                <p className="text-sm text-soft">
                  {KIND_WORDS[subject.kind]} in{' '}
                  <Link
                    className="text-ink underline"
                    to={`/books/${book.id}/write/${subject.chapter}?at=${subject.at}`}
                  >
                    {chapter?.title || 'a chapter'}
                  </Link>
                </p>
              </div>
              <FindingLine finding={finding} repair={(repair) => void repairInside(subject, repair)} />
            </li>
          );
        })}
      </ul>
    </section>
  );
}
