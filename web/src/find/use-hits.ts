import type { FindSearch, Hit } from '@vennet/core/repair';
import { useEffect, useState } from 'react';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';

/** ms after the last key until the book is searched. */
const PAUSE = 200;

/** What a search finds in the book as it stands; `null` before the first answer, or where nothing is searched. */
export function useHits(search: FindSearch): readonly Hit[] | null {
  const chapters = useBook((store) => store.book?.chapters);
  const [hits, setHits] = useState<readonly Hit[] | null>(null);
  const key = JSON.stringify(search);
  useEffect(() => {
    let isOver = false;
    const timer = setTimeout(
      () => {
        if (search.words === '') return setHits(null);
        void openBook()
          .audit.find(JSON.parse(key) as FindSearch)
          .then((found) => !isOver && setHits(found));
      },
      search.words === '' ? 0 : PAUSE,
    );
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
    // A chapter is another object after each change of its text.
  }, [key, chapters, search.words]);
  return hits;
}
