import type { UnnamedSpot } from '@vennet/core/repair';
import { useEffect, useState } from 'react';
import { openBook } from '../book/open-book.js';
import { useEditor } from '../editor/state/store.js';

/** How many spots without a name are offered. */
const MOST = 4;

/** Spots of the text without a name that fit what is typed; looked for beside the typing. With `null` nothing is asked. */
export function useSpots(typed: string | null): readonly UnnamedSpot[] {
  const [found, setFound] = useState<{ typed: string; spots: UnnamedSpot[] } | null>(null);
  useEffect(() => {
    if (typed === null || typed.trim() === '') return;
    let isWanted = true;
    const search = { typed, chapter: useEditor.getState().chapter, most: MOST };
    void openBook()
      .audit.spots(search)
      .then((spots) => isWanted && setFound({ typed, spots }));
    return () => void (isWanted = false);
  }, [typed]);
  return found && found.typed === typed ? found.spots : NONE;
}

const NONE: readonly UnnamedSpot[] = [];
