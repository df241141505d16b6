import { Link } from 'react-router';
import { useBook } from '../book/store.js';

/** The words of a link of the book, which lead to its slip. */
export function ToLink({ id, chapter, words }: { id: string; chapter: string; words: string }) {
  const book = useBook((store) => store.book?.id);
  return (
    <Link className="underline" to={`/books/${book}/write/${chapter}?link=${id}`}>
      {words}
    </Link>
  );
}
