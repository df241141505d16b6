import type { Format } from '@vennet/core/manuscript';
import type { VersionedChapter } from '@vennet/core/wire';
import { useState } from 'react';
import { useBook } from '../book/store.js';
import { Labelled } from '../parts/Labelled.js';

/** Which chapter of a form is looked at: the first one of the text, until another is chosen. */
export function useChapterOf(format: Format): {
  chapters: readonly VersionedChapter[];
  chapter: string;
  choose(id: string): void;
} {
  const all = useBook((store) => store.book?.chapters) ?? [];
  const chapters = all.filter(({ leftOutOf }) => !leftOutOf.includes(format));
  const [chapter, choose] = useState(
    () => chapters.find(({ matter }) => matter === 'main')?.id ?? chapters[0]?.id ?? '',
  );
  return { chapters, chapter, choose };
}

export const ChapterField = ({ chapters, chapter, choose }: ReturnType<typeof useChapterOf>) => (
  <Labelled label="Chapter">
    {(id) => (
      <select
        id={id}
        className="field max-w-52"
        value={chapter}
        onChange={({ target }) => choose(target.value)}
      >
        {chapters.map((one) => (
          <option key={one.id} value={one.id}>
            {one.title || 'Without a title'}
          </option>
        ))}
      </select>
    )}
  </Labelled>
);
