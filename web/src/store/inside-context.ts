import type { InsideContext } from '@vennet/core/audit';
import { useMemo } from 'react';
import { useBook } from './book.js';

/** What rules of single links have to know of the book's own places. */
export function useInsideContext(): InsideContext {
  const chapters = useBook((store) => store.book?.chapters);
  const places = useBook((store) => store.places);
  const handMade = useBook((store) => store.handMade);
  return useMemo(
    () => ({
      ...{ places, handMade },
      leftOutOf: new Map(chapters?.map(({ id, leftOutOf }) => [id, leftOutOf])),
    }),
    [chapters, places, handMade],
  );
}
