import { spotsOf } from '../../manuscript/index.js';
import type { InsideRule } from './inside-finding.js';

/** An id that two chapters have: links to it lead to the first. XML 1.0, 3.3.1 (ids are unique in a document). */
export const doubledId: InsideRule = {
  id: 'doubled-id',
  title: 'Ids that stand twice',
  severity: 'must-fix',
  criterion: 'XML 1.0, 3.3.1; HTML, 3.2.6',
  find({ book }) {
    const seen = new Map<string, string>();
    return book.chapters.flatMap(({ id: chapter, doc }) =>
      spotsOf(doc, chapter).spots.flatMap(({ id, at, kind, words }) => {
        const first = seen.get(id);
        seen.set(id, first ?? chapter);
        // Within one chapter a mark is told with its note.
        if (first === undefined || first === chapter || kind === 'mark') return [];
        return [
          {
            subject: { id, kind: 'place', chapter, at, words },
            message: `“${words || id}” has the same id as another place of the book, so links to it lead to the other one.`,
            repairs: [{ label: 'Give it an id of its own', repair: { type: 'new-id' } }],
          },
        ];
      }),
    );
  },
};
