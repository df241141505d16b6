import { oneLevelDown, oneLevelUp, type DivisionLine } from '@vennet/core/edits';
import { message } from '@vennet/core/language';
import { useId } from 'react';

const chapterCount = (lines: readonly DivisionLine[]): string =>
  message('{count, plural, one {1 chapter} other {{count, number} chapters}}', {
    count: lines.filter(({ begins }) => begins).length,
  });

/** The places at which chapters begin. */
export const beginsOf = (lines: readonly DivisionLine[]): string[] =>
  lines.filter(({ begins }) => begins).map(({ id }) => id);

export const isDividedAlike = (one: readonly DivisionLine[], other: readonly DivisionLine[]): boolean =>
  beginsOf(one).join() === beginsOf(other).join();

/** How a book is divided into chapters: line by line, or by a whole level of headings, it can be divided otherwise. */
export function Division({
  lines,
  asItWas,
  change,
}: {
  lines: readonly DivisionLine[];
  asItWas: readonly DivisionLine[];
  change(lines: DivisionLine[]): void;
}) {
  const counted = useId();
  const beginAt = (begins: ReadonlySet<string>) =>
    change(lines.map((line) => ({ ...line, begins: begins.has(line.id) })));
  const flip = (id: string) =>
    change(lines.map((line) => (line.id === id ? { ...line, begins: !line.begins } : line)));
  const canRise = lines.some(({ begins }, index) => begins && index > 0);
  const canSink = lines.some(({ begins }) => !begins);
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <p id={counted} role="status" className="mr-auto font-semibold tabular-nums">
          {chapterCount(lines)}
        </p>
        <button
          type="button"
          className="button"
          data-size="small"
          disabled={!canRise}
          onClick={() => beginAt(oneLevelUp(lines))}
        >
          One level up
        </button>
        <button
          type="button"
          className="button"
          data-size="small"
          disabled={!canSink}
          onClick={() => beginAt(oneLevelDown(lines))}
        >
          One level down
        </button>
        <button
          type="button"
          className="button"
          data-look="quiet"
          data-size="small"
          disabled={isDividedAlike(lines, asItWas)}
          onClick={() => change([...asItWas])}
        >
          As it was
        </button>
      </div>
      <ul
        aria-labelledby={counted}
        className="max-h-[46vh] overflow-y-auto rounded border border-line bg-raised py-1"
      >
        {lines.map((line, index) => (
          <Line key={line.id} line={line} lines={lines} index={index} flip={() => flip(line.id)} />
        ))}
      </ul>
    </>
  );
}

const JOIN = 'Join to the one before';
const BEGIN = 'Begin a chapter here';

function Line({
  line: { title, level, begins },
  lines,
  index,
  flip,
}: {
  line: DivisionLine;
  lines: readonly DivisionLine[];
  index: number;
  flip(): void;
}) {
  const words = title || 'Without a title';
  return (
    <li
      className="flex items-baseline gap-x-3 px-3 max-sm:flex-wrap max-sm:justify-end py-0.5 [content-visibility:auto] [contain-intrinsic-size:auto_1.9rem]"
      style={{ paddingLeft: `${begins ? 0.75 : 1 + 0.75 * level}rem` }}
    >
      <span
        className={`min-w-0 grow truncate max-sm:basis-full ${begins ? 'font-semibold' : 'text-soft'}`}
        title={words}
      >
        {words}
      </span>
      {begins && (
        <span className="shrink-0 text-sm text-soft tabular-nums">
          {message('{count, plural, one {1 word} other {{count, number} words}}', {
            count: wordsOfChapter(lines, index),
          })}
        </span>
      )}
      {index === 0 ? (
        <span className="division-act" />
      ) : (
        <button
          type="button"
          className="division-act"
          aria-label={`${begins ? JOIN : BEGIN}: ${words}`}
          onClick={flip}
        >
          {begins ? JOIN : BEGIN}
        </button>
      )}
    </li>
  );
}

/** The words from a line to the next one that begins a chapter. */
function wordsOfChapter(lines: readonly DivisionLine[], from: number): number {
  const next = lines.findIndex(({ begins }, index) => index > from && begins);
  return lines.slice(from, next < 0 ? undefined : next).reduce((sum, { words }) => sum + words, 0);
}
