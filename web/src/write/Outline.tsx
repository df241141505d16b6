import { headingsOf, readChapter } from '@vennet/core/manuscript';
import type { VerdictName } from '@vennet/core/reach';
import type { Manuscript, VersionedChapter } from '@vennet/core/wire';
import { Plus } from 'lucide-react';
import { TextSelection } from 'prosemirror-state';
import { useMemo } from 'react';
import { Link, useNavigate } from 'react-router';
import { api } from '../api/client.js';
import { useEditor } from '../editor/store.js';
import { SeverityMark } from '../marks/SeverityMark.js';
import { VerdictMark } from '../marks/VerdictMark.js';
import { useBook, verdictFor } from '../store/book.js';
import { tellFault } from '../store/notices.js';

const MATTER_WORDS = { front: 'Before the text', main: 'The text', back: 'After the text' } as const;
/** The verdicts that a chapter's tally shows: those that want something of the author. */
const TALLIED: VerdictName[] = ['broken', 'unreachable', 'moved'];

/** The chapters in their order, the headings of the open one, and a small tally for each. */
export function Outline({ book, open }: { book: Manuscript; open: string }) {
  const navigate = useNavigate();
  const tallies = useTallies();
  const add = async () => {
    try {
      const chapter = await api.addChapter(book.id, open);
      await useBook.getState().open(book.id);
      await navigate(`/books/${book.id}/write/${chapter.id}`);
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <nav
      aria-label="Outline"
      className="w-60 shrink-0 overflow-y-auto border-r border-line px-3 py-4 max-lg:max-h-40 max-lg:w-full max-lg:border-r-0 max-lg:border-b"
    >
      {(['front', 'main', 'back'] as const).map((matter) => {
        const chapters = book.chapters.filter((chapter) => chapter.matter === matter);
        return (
          chapters.length > 0 && (
            <section key={matter} className="mb-4">
              <h2 className="px-2 text-xs font-semibold text-soft">{MATTER_WORDS[matter]}</h2>
              <ul>
                {chapters.map((chapter) => (
                  <li key={chapter.id}>
                    <Link
                      to={`/books/${book.id}/write/${chapter.id}`}
                      aria-current={chapter.id === open ? 'page' : undefined}
                      className="flex items-start justify-between gap-2 rounded px-2 py-1 leading-snug no-underline hover:bg-raised aria-[current=page]:bg-wash aria-[current=page]:font-semibold"
                    >
                      <span>{chapter.title || 'Without a title'}</span>
                      <Tally tally={tallies.get(chapter.id)} />
                    </Link>
                    {chapter.id === open && <Headings chapter={chapter} />}
                  </li>
                ))}
              </ul>
            </section>
          )
        );
      })}
      <button type="button" className="button" data-look="quiet" data-size="small" onClick={() => void add()}>
        <Plus size={15} aria-hidden="true" /> Add a chapter
      </button>
    </nav>
  );
}

interface ChapterTally {
  verdicts: Partial<Record<VerdictName, number>>;
  findings: number;
}

function useTallies(): Map<string, ChapterTally> {
  const { links, findings, places, verdicts, surroundings } = useBook();
  return useMemo(() => {
    const tallies = new Map<string, ChapterTally>();
    for (const link of links) {
      const tally = tallies.get(link.chapter) ?? { verdicts: {}, findings: 0 };
      const { verdict } = verdictFor(link, { places, verdicts, surroundings });
      tally.verdicts[verdict] = (tally.verdicts[verdict] ?? 0) + 1;
      tally.findings += findings.get(link.id)?.length ?? 0;
      tallies.set(link.chapter, tally);
    }
    return tallies;
  }, [links, findings, places, verdicts, surroundings]);
}

function Tally({ tally }: { tally: ChapterTally | undefined }) {
  if (!tally) return null;
  return (
    <span className="mt-0.5 flex shrink-0 gap-1.5 text-xs font-normal tabular-nums">
      {TALLIED.map((verdict) => {
        const count = tally.verdicts[verdict];
        return (
          count && (
            <span key={verdict} className="flex items-center gap-0.5">
              <VerdictMark verdict={verdict} />
              {count}
            </span>
          )
        );
      })}
      {tally.findings > 0 && (
        <span className="flex items-center gap-0.5">
          <SeverityMark severity="should-fix" />
          {tally.findings}
        </span>
      )}
    </span>
  );
}

function Headings({ chapter }: { chapter: VersionedChapter }) {
  const headings = useMemo(
    () => headingsOf(readChapter(chapter).doc).filter(({ words }) => words !== '' && words !== chapter.title),
    [chapter],
  );
  const go = (position: number) => {
    const { view } = useEditor.getState();
    if (!view) return;
    const spot = Math.min(position + 1, view.state.doc.content.size);
    view.dispatch(view.state.tr.setSelection(TextSelection.near(view.state.doc.resolve(spot))));
    const element = view.nodeDOM(position);
    if (element instanceof HTMLElement) element.scrollIntoView({ block: 'start' });
    view.focus();
  };
  return (
    <ul className="mb-2 text-sm">
      {headings.map(({ words, level, position }) => (
        <li key={position}>
          <button
            type="button"
            onClick={() => go(position)}
            className="w-full cursor-pointer rounded px-2 py-0.5 text-left text-soft hover:bg-raised hover:text-ink"
            style={{ paddingLeft: `${0.5 + Math.max(1, level - 1) * 0.7}rem` }}
          >
            {words}
          </button>
        </li>
      ))}
    </ul>
  );
}
