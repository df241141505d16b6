import { groupedBy, MATTERS, openLevels, TOP, type Link, type PlaceKind } from '@vennet/core/manuscript';
import { SEVERITIES } from '@vennet/core/audit';
import type { VerdictName } from '@vennet/core/reach';
import type { FindingCounts, Manuscript } from '@vennet/core/wire';
import { Plus } from 'lucide-react';
import { useLayoutEffect, useMemo, useRef } from 'react';
import { useNavigate } from 'react-router';
import { openBook } from '../book/open-book.js';
import { useBook, verdictFor, type BookStore } from '../book/store.js';
import { HealthLine } from '../parts/HealthLine.js';
import { useOnce } from '../parts/use-once.js';
import { ChapterDialogs } from './ChapterDialogs.js';
import { ChapterEntry } from './ChapterEntry.js';
import { DivideBook } from './DivideBook.js';
import { PlaceEntry } from './PlaceEntry.js';
import { usePlacesShown } from './places-shown.js';
import type { Verdicts } from './Tally.js';

const MATTER_WORDS = { front: 'Before the text', main: 'The text', back: 'After the text' } as const;

/** The chapters in their order, the places of the open one, and a small tally for each. */
export function Outline({ book, open }: { book: Manuscript; open: string }) {
  const navigate = useNavigate();
  const { ofChapter: tallies, ofBook } = useTallies();
  const hasLinks = useBook((store) => store.links.length > 0);
  const hasTop = useBook((store) => store.placeIds.has(TOP));
  const { shown, setShown } = usePlacesShown();
  const current = useRef<HTMLLIElement>(null);
  useLayoutEffect(() => bringIntoView(current.current?.firstElementChild), [open]);
  const add = useOnce(async () => {
    const chapter = await openBook().bulk.addChapter(open);
    // The caret waits in its first line: what is typed next is its text.
    if (chapter) await navigate(`/books/${book.id}/write/${chapter}?at=0`);
  });
  return (
    <nav aria-label="Outline" className="px-3 pb-4">
      <p className="mb-2 px-2">
        <span className={hasLinks ? 'sr-only' : 'text-sm text-soft'}>The links of the book: </span>
        {hasLinks ? <HealthLine {...ofBook} /> : <span className="text-sm text-soft">none yet</span>}
      </p>
      <label className="mb-2 flex items-center gap-2 px-2 text-sm text-soft">
        <input
          type="checkbox"
          className="accent-amber"
          checked={shown}
          onChange={(event) => setShown(event.target.checked)}
        />
        Show all places
      </label>
      {hasTop && shown && <PlaceEntry id={TOP} kind="top" words="Top of the book" label="" depth={0} />}
      {MATTERS.map((matter) => {
        const chapters = book.chapters.filter((chapter) => chapter.matter === matter);
        return (
          chapters.length > 0 && (
            <section key={matter} className="mb-4">
              <h2 className="px-2 text-xs font-semibold text-soft">{MATTER_WORDS[matter]}</h2>
              <ul>
                {chapters.map((chapter) => (
                  <li key={chapter.id} ref={chapter.id === open ? current : undefined}>
                    <ChapterEntry
                      chapter={chapter}
                      book={book.id}
                      open={chapter.id === open}
                      {...tallies(chapter.id)}
                    />
                    {chapter.id === open && <Places chapter={chapter.id} title={chapter.title} all={shown} />}
                  </li>
                ))}
              </ul>
            </section>
          )
        );
      })}
      <button
        type="button"
        className="button"
        data-look="quiet"
        data-size="small"
        disabled={add.isUnderWay}
        onClick={() => add.run()}
      >
        <Plus size={15} aria-hidden="true" /> Add a chapter
      </button>
      <DivideBook book={book.id} />
      <ChapterDialogs />
    </nav>
  );
}

/** An entry that can't be seen comes into the middle of the outline. */
function bringIntoView(entry: Element | null | undefined): void {
  const panel = entry?.closest('aside')?.getBoundingClientRect();
  const box = entry?.getBoundingClientRect();
  if (panel && box && (box.top < panel.top || box.bottom > panel.bottom))
    entry?.scrollIntoView({ block: 'center' });
}

const LISTED = new Set(['heading', 'bookmark', 'figure', 'table', 'note', 'contents']);

/** The places of the open chapter, under the headings that they stand below. */
function Places({ chapter, title, all }: { chapter: string; title: string; all: boolean }) {
  const places = useBook((store) => store.places);
  const listed = useMemo(() => {
    const deepen = openLevels();
    let above = 1;
    let depth = 1;
    const entries: { id: string; kind: PlaceKind; words: string; label: string; depth: number }[] = [];
    for (const place of places.values()) {
      if (place.chapter !== chapter || !LISTED.has(place.kind) || place.order < 0) continue;
      if (place.kind === 'heading') {
        depth = deepen(place.level ?? 1) - 1 + above;
        // The chapter itself stands above.
        const isTop = above === 1 && place.words === title;
        if (isTop) above = 0;
        if (isTop || place.words === '') continue;
      } else if (!all) continue;
      const { id, kind, words, number } = place;
      const label = kind === 'note' ? number : place.label;
      entries.push({ id, kind, words, label, depth: kind === 'heading' ? depth : depth + 0.8 });
    }
    return entries;
  }, [places, chapter, title, all]);
  return (
    <ul className="mb-2 text-sm">
      {listed.map((entry) => (
        <li key={entry.id}>
          <PlaceEntry {...entry} />
        </li>
      ))}
    </ul>
  );
}

const NO_LINKS: readonly Link[] = [];

/** What the outline says of a chapter beside its title. While one chapter is written, the others are not counted again. */
function useTallies(): {
  ofChapter(chapter: string): { verdicts: Verdicts; findings: number };
  ofBook: { verdicts: Verdicts; findings: FindingCounts };
} {
  const { linksIn, findings, inside, placeIds, verdicts, surroundings } = useBook();
  const counted = useMemo(
    () => known((links: readonly Link[]) => tallyOf(links, { findings, placeIds, verdicts, surroundings })),
    [findings, placeIds, verdicts, surroundings],
  );
  const insideIn = useMemo(() => groupedBy(inside, ({ subject }) => subject.chapter), [inside]);
  const ofBook = useMemo(() => {
    const sum = { verdicts: {} as Verdicts, findings: { mustFix: 0, shouldFix: 0, consider: 0 } };
    for (const links of linksIn.values()) {
      const { verdicts: own, found } = counted(links);
      for (const [verdict, count] of Object.entries(own) as [VerdictName, number][])
        sum.verdicts[verdict] = (sum.verdicts[verdict] ?? 0) + count;
      for (const severity of SEVERITIES) sum.findings[COUNTED[severity]] += found[severity];
    }
    for (const { severity } of inside) sum.findings[COUNTED[severity]] += 1;
    return sum;
  }, [linksIn, counted, inside]);
  return {
    ofBook,
    ofChapter(chapter) {
      const { verdicts: own, found } = counted(linksIn.get(chapter) ?? NO_LINKS);
      const findings = SEVERITIES.reduce((sum, severity) => sum + found[severity], 0);
      return { verdicts: own, findings: findings + (insideIn.get(chapter)?.length ?? 0) };
    },
  };
}

const COUNTED = { 'must-fix': 'mustFix', 'should-fix': 'shouldFix', consider: 'consider' } as const;

function tallyOf(
  links: readonly Link[],
  { findings, ...about }: Pick<BookStore, 'findings' | 'placeIds' | 'verdicts' | 'surroundings'>,
) {
  const tally = { verdicts: {} as Verdicts, found: { 'must-fix': 0, 'should-fix': 0, consider: 0 } };
  for (const link of links) {
    const { verdict } = verdictFor(link, about);
    tally.verdicts[verdict] = (tally.verdicts[verdict] ?? 0) + 1;
    for (const { severity } of findings.get(link.id) ?? []) tally.found[severity] += 1;
  }
  return tally;
}

/** A function whose answers are kept as long as what they were for. */
function known<Key extends object, Value>(find: (key: Key) => Value): (key: Key) => Value {
  const answers = new WeakMap<Key, Value>();
  return (key) => {
    const answer = answers.get(key) ?? find(key);
    answers.set(key, answer);
    return answer;
  };
}
