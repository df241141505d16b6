import type { VerdictName } from '@vennet/core/reach';
import { TOP, type Place } from '@vennet/core/manuscript';
import type { Manuscript } from '@vennet/core/wire';
import { Plus } from 'lucide-react';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../api/client.js';
import { useBook, verdictFor } from '../store/book.js';
import { tellFault } from '../store/notices.js';
import { ChapterEntry } from './ChapterEntry.js';
import { PlaceEntry } from './PlaceEntry.js';
import { usePlacesShown } from './places-shown.js';
import type { ChapterTally } from './Tally.js';

const MATTER_WORDS = { front: 'Before the text', main: 'The text', back: 'After the text' } as const;

/** The chapters in their order, the places of the open one, and a small tally for each. */
export function Outline({ book, open }: { book: Manuscript; open: string }) {
  const navigate = useNavigate();
  const tallies = useTallies();
  const places = useBook((store) => store.places);
  const { shown, setShown } = usePlacesShown();
  const top = places.get(TOP);
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
    <nav aria-label="Outline" className="px-3 pb-4">
      <label className="mb-2 flex items-center gap-2 px-2 text-sm text-soft">
        <input
          type="checkbox"
          className="accent-amber"
          checked={shown}
          onChange={(event) => setShown(event.target.checked)}
        />
        Show all places
      </label>
      {top && shown && <PlaceEntry place={{ ...top, words: 'Top of the book' }} depth={0} />}
      {(['front', 'main', 'back'] as const).map((matter) => {
        const chapters = book.chapters.filter((chapter) => chapter.matter === matter);
        return (
          chapters.length > 0 && (
            <section key={matter} className="mb-4">
              <h2 className="px-2 text-xs font-semibold text-soft">{MATTER_WORDS[matter]}</h2>
              <ul>
                {chapters.map((chapter) => (
                  <li key={chapter.id}>
                    <ChapterEntry
                      chapter={chapter}
                      book={book.id}
                      open={chapter.id === open}
                      tally={tallies.get(chapter.id)}
                    />
                    {chapter.id === open && <Places chapter={chapter.id} title={chapter.title} all={shown} />}
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

const LISTED = new Set(['heading', 'bookmark', 'figure', 'table', 'note', 'contents']);

/** The places of the open chapter, under the headings that they stand below. */
function Places({ chapter, title, all }: { chapter: string; title: string; all: boolean }) {
  const places = useBook((store) => store.places);
  const listed = useMemo(() => {
    const open: number[] = [];
    let above = 1;
    let depth = 1;
    const entries: { place: Place; depth: number }[] = [];
    for (const place of places.values()) {
      if (place.chapter !== chapter || !LISTED.has(place.kind) || place.order < 0) continue;
      if (place.kind === 'heading') {
        const level = place.level ?? 1;
        while (open.length > 0 && open[open.length - 1] >= level) open.pop();
        depth = open.length + above;
        open.push(level);
        // The chapter itself stands above.
        const isTop = above === 1 && place.words === title;
        if (isTop) above = 0;
        if (isTop || place.words === '') continue;
      } else if (!all) continue;
      entries.push({ place, depth: place.kind === 'heading' ? depth : depth + 0.8 });
    }
    return entries;
  }, [places, chapter, title, all]);
  return (
    <ul className="mb-2 text-sm">
      {listed.map(({ place, depth }) => (
        <li key={place.id}>
          <PlaceEntry place={place} depth={depth} />
        </li>
      ))}
    </ul>
  );
}

function useTallies(): Map<string, ChapterTally> {
  const { links, findings, inside, places, verdicts, surroundings } = useBook();
  return useMemo(() => {
    const tallies = new Map<string, ChapterTally>();
    const tallyOf = (chapter: string): ChapterTally => {
      const tally = tallies.get(chapter) ?? {
        verdicts: {} as Partial<Record<VerdictName, number>>,
        findings: 0,
      };
      tallies.set(chapter, tally);
      return tally;
    };
    for (const link of links) {
      const tally = tallyOf(link.chapter);
      const { verdict } = verdictFor(link, { places, verdicts, surroundings });
      tally.verdicts[verdict] = (tally.verdicts[verdict] ?? 0) + 1;
      tally.findings += findings.get(link.id)?.length ?? 0;
    }
    for (const { subject } of inside) tallyOf(subject.chapter).findings += 1;
    return tallies;
  }, [links, findings, inside, places, verdicts, surroundings]);
}
