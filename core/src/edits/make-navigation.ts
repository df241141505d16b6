import { Transform } from 'prosemirror-transform';
import { schema, type ReadBook } from '../manuscript/index.js';
import { handMadeNavigation, type HandMadeNavigation } from './hand-made-navigation.js';
import { keepIdsUnique } from './keep-ids.js';
import type { ChangedChapter } from './make-notes.js';

/** Makes real what is chosen of the navigation that was typed by hand; what has changed since it was found is passed over. */
export function makeNavigation(
  book: ReadBook,
  keys: ReadonlySet<string>,
  mint: () => string,
): { chapters: ChangedChapter[]; changed: number } {
  const chosen = handMadeNavigation(book).filter(({ key }) => keys.has(key));
  const chapters = book.chapters.flatMap(({ id, doc }): ChangedChapter[] => {
    const transform = new Transform(doc);
    const own = chosen.filter(({ chapter }) => chapter === id).sort((one, other) => other.from - one.from);
    for (const piece of own) make(transform, piece, mint);
    if (!transform.docChanged) return [];
    keepIdsUnique(transform, mint);
    return [{ id, doc: transform.doc, transform }];
  });
  return { chapters, changed: chosen.length };
}

function make(transform: Transform, piece: HandMadeNavigation, mint: () => string): void {
  const { from, to } = piece;
  switch (piece.becomes) {
    case 'contents': {
      const { scope, section, depth } = piece;
      transform.replaceWith(
        from,
        to,
        schema.node('contents', { id: mint(), scope, section, depth, back: false, backWords: '' }),
      );
      return;
    }
    case 'return':
      // The author's words stay.
      transform.replaceWith(
        from,
        to,
        schema.node('return_link', { id: mint(), to: piece.leads, place: null, own: piece.words }),
      );
      return;
    case 'reference': {
      const { place, form } = piece;
      transform.replaceWith(
        from,
        to,
        schema.node('reference', { id: mint(), place, form, own: '', hoverNote: '' }),
      );
      return;
    }
    case 'link':
      transform.addMark(
        from,
        to,
        schema.marks.link.create({
          id: mint(),
          destination: { kind: 'place', place: piece.place },
          hoverNote: '',
        }),
      );
  }
}
