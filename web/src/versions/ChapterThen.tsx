import { readChapter, schema } from '@vennet/core/manuscript';
import { useQuery } from '@tanstack/react-query';
import { DOMSerializer } from 'prosemirror-model';
import { useEffect, useRef } from 'react';
import { queries } from '../api/queries.js';

/** The text of a chapter as a version has it, to be read. */
export function ChapterThen({ book, version, chapter }: { book: string; version: string; chapter: string }) {
  const place = useRef<HTMLDivElement>(null);
  const { data } = useQuery(queries.versionChapter(book, version, chapter));
  useEffect(() => {
    if (!data || !place.current) return;
    const { doc } = readChapter(data);
    place.current.replaceChildren(DOMSerializer.fromSchema(schema).serializeFragment(doc.content));
    // It is read, not gone on from.
    for (const link of place.current.querySelectorAll('a')) link.removeAttribute('href');
    // The book has the same ids elsewhere.
    for (const element of place.current.querySelectorAll('[id]')) element.removeAttribute('id');
  }, [data]);
  return (
    <div
      ref={place}
      // What scrolls has to be reached by key.
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
      tabIndex={0}
      role="region"
      aria-label="The text as it was"
      className="book-text mt-2 max-h-96 overflow-auto border border-line bg-sheet px-6 py-4"
    />
  );
}
