import { attrsOf, orderOf, originsOf, sectionFinder, spotsOf } from '../../manuscript/index.js';
import type { InsideRule } from './inside-finding.js';

/** A return link in a section that nothing leads to: there is nowhere to return to. */
export const returnNowhere: InsideRule = {
  id: 'return-nowhere',
  title: 'Return links in sections that nothing leads to',
  severity: 'should-fix',
  criterion: 'Common practice',
  find({ book, map, links }) {
    if (book.chapters.every(({ id, doc }) => spotsOf(doc, id).returns.length === 0)) return [];
    const sectionOf = sectionFinder(map.places, book.chapters, orderOf);
    const origins = originsOf(links, map.places, sectionOf);
    return book.chapters.flatMap(({ id: chapter, doc }) =>
      spotsOf(doc, chapter)
        .returns.filter(
          ({ node, at: from }) =>
            attrsOf.returnLink(node).to === 'origin' && !origins.has(sectionOf({ chapter, from })),
        )
        .map(({ node, at }) => ({
          subject: { id: attrsOf.inside(node).id, kind: 'return', chapter, at, words: 'Return link' },
          message: 'Nothing in the book leads to this section, so there is nowhere to return to.',
          repairs: [
            { label: 'Lead to the contents', repair: { type: 'return-to', to: 'contents' } },
            { label: 'Remove the return link', repair: { type: 'remove-node' } },
          ],
        })),
    );
  },
};
