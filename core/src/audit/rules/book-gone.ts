import { REMOVE, type Rule } from '../finding.js';

/** A link to another book that is not in the Library, or to a place that it does not have. */
export const bookGone: Rule = {
  id: 'book-gone',
  title: 'Books that are not in the Library any more',
  severity: 'must-fix',
  criterion: 'Common practice',
  looksAt: (link) => link.kind === 'book',
  find({ destination }, { books }) {
    if (destination.kind !== 'book') return null;
    const book = books.get(destination.book);
    if (!book)
      return { message: 'The book that this led to is not in the Library any more.', repairs: [REMOVE] };
    const { place } = destination;
    if (!place || !book.places || book.places.has(place)) return null;
    return {
      message: `“${book.title}” does not have the place that this led to.`,
      repairs: [
        {
          label: `Lead to the whole of “${book.title}”`,
          repair: { type: 'destination', destination: { kind: 'book', book: book.id } },
        },
      ],
    };
  },
};
