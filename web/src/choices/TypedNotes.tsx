import type { TypedNote } from '@vennet/core/edits';
import { message } from '@vennet/core/language';
import { useEffect, useState } from 'react';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { HandMade } from './HandMade.js';
import { useTurned } from '../parts/use-turned.js';
import { PieceList } from './PieceList.js';

/** Numbers typed as marks of notes, with remarks of these numbers in a list: to be looked through and made real in one step. */
export function TypedNotes({ close }: { close(): void }) {
  const chapters = useBook((store) => store.book?.chapters);
  const [notes, setNotes] = useState<TypedNote[]>([]);
  const [turned, turn] = useTurned();
  useEffect(() => {
    let isWanted = true;
    void openBook()
      .audit.typedNotes()
      .then((found) => isWanted && setNotes(found));
    return () => void (isWanted = false);
  }, [chapters]);
  const taken = new Set(notes.filter(({ key, isSure }) => isSure !== turned.has(key)).map(({ key }) => key));
  const make = async () => {
    if (await openBook().bulk.makeTypedNotes([...taken])) close();
  };
  if (notes.length === 0) return null;
  const titles = new Map(chapters?.map(({ id, title }) => [id, title]));
  return (
    <HandMade
      legend="Notes typed as numbers"
      title={message(
        '{count, plural, one {One note was typed as a number} other {# notes were typed as numbers}}',
        { count: notes.length },
      )}
      about="Numbers without a link, and a list of remarks with these numbers. As real notes they are counted by themselves and lead there and back; the list goes."
      count={taken.size}
      words={'{count, plural, one {Make a real note of it} other {Make real notes of #}}'}
      make={make}
    >
      <PieceList
        label="Notes typed as numbers"
        pieces={notes.map(({ key, before, text, remark, chapter, isSure }) => ({
          key,
          before,
          words: text,
          after: ` → ${remark.slice(0, 70)}`,
          about: titles.get(chapter) ?? '',
          becomes: 'note',
          sureness: isSure ? 'sure' : 'look at it',
        }))}
        taken={taken}
        turn={turn}
      />
    </HandMade>
  );
}
