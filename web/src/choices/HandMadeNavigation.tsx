import { message } from '@vennet/core/language';
import type { HandMadePiece } from '@vennet/core/wire';
import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { HandMade } from './HandMade.js';
import { useTurned } from '../parts/use-turned.js';
import { PieceList } from './PieceList.js';

const BECOMES: Record<HandMadePiece['becomes'], string> = {
  contents: 'computed contents',
  return: 'return link',
  reference: 'reference',
  link: 'link',
};

const SURENESS: Record<HandMadePiece['sureness'], string> = {
  sure: 'sure',
  likely: 'likely',
  look: 'look at it',
};

/** Contents, ways back and numbers that were typed by hand, to be looked through and made real in one step. */
export function HandMadeNavigation({ close }: { close(): void }) {
  const book = useBook((store) => store.book);
  const { data: pieces = [] } = useQuery({
    queryKey: ['hand-made-navigation', book?.id],
    queryFn: async () => {
      // What is found is in the text as the server has it.
      await openBook().texts.saveAll();
      return api.handMadeNavigation(book?.id ?? '');
    },
    enabled: book !== null,
    gcTime: 0,
  });
  const [turned, turn] = useTurned();
  // What is to be looked at is not ticked from the start.
  const isTaken = ({ key, sureness }: HandMadePiece) => (sureness !== 'look') !== turned.has(key);
  const taken = new Set(pieces.filter(isTaken).map(({ key }) => key));
  const make = async () => {
    if (await openBook().bulk.makeNavigation([...taken])) close();
  };
  if (!book || pieces.length === 0) return null;
  const titles = new Map(book.chapters.map(({ id, title }) => [id, title]));
  return (
    <HandMade
      legend="Navigation typed by hand"
      title={message(
        '{count, plural, one {One piece of navigation was typed by hand} other {# pieces of navigation were typed by hand}}',
        { count: pieces.length },
      )}
      about="Lists of contents, ways back, and numbers of sections, figures and pages. Made real, they lead where they say and stay right when the book changes."
      count={taken.size}
      words={'{count, plural, one {Make it real} other {Make # real}}'}
      make={make}
    >
      <PieceList
        label="Navigation typed by hand"
        pieces={pieces.map(({ key, before, words, after, chapter, why, becomes, sureness }) => ({
          key,
          before,
          words,
          after,
          about: [titles.get(chapter), why].filter(Boolean).join(' · '),
          becomes: BECOMES[becomes],
          sureness: SURENESS[sureness],
        }))}
        taken={taken}
        turn={turn}
      />
    </HandMade>
  );
}
