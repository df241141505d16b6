import { message } from '@vennet/core/language';
import type { Format } from '@vennet/core/manuscript';
import type { VersionedChapter } from '@vennet/core/wire';
import { api } from '../api/client.js';
import { useBook } from '../book/store.js';
import { Fold } from '../parts/Fold.js';
import { Tick } from '../parts/Tick.js';
import { tellFault } from '../parts/notices.js';

/** Which chapters go into a form. One that is left out is found wherever a link leads into it. */
export function LeftOut({ format, changed }: { format: Format; changed(): void }) {
  const chapters = useBook((store) => store.book?.chapters);
  if (!chapters) return null;
  const inside = chapters.filter(({ leftOutOf }) => !leftOutOf.includes(format)).length;
  const turn = async (chapter: VersionedChapter) => {
    const { leftOutOf } = chapter;
    const now = leftOutOf.includes(format)
      ? leftOutOf.filter((one) => one !== format)
      : [...leftOutOf, format];
    const show = (formats: Format[]) => {
      const { book, setChapters } = useBook.getState();
      setChapters(
        (book?.chapters ?? []).map((one) => (one.id === chapter.id ? { ...one, leftOutOf: formats } : one)),
      );
    };
    show(now);
    try {
      await api.leaveOut(chapter.id, now);
      changed();
    } catch (error) {
      show(leftOutOf);
      tellFault(error);
    }
  };
  return (
    <Fold
      words={
        inside === chapters.length
          ? message('{count, plural, one {The chapter goes in} other {All # chapters go in}}', {
              count: inside,
            })
          : `${inside} of ${chapters.length} chapters go in`
      }
    >
      <ul className="mt-1 ml-5 space-y-0.5">
        {chapters.map((chapter) => (
          <li key={chapter.id}>
            <Tick
              on={!chapter.leftOutOf.includes(format)}
              // A file has at least one chapter.
              off={inside === 1 && !chapter.leftOutOf.includes(format)}
              turn={() => void turn(chapter)}
            >
              {chapter.title || 'Without a title'}
            </Tick>
          </li>
        ))}
      </ul>
    </Fold>
  );
}
