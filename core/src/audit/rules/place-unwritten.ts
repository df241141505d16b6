import { REMOVE, type Rule } from '../finding.js';
import { placeOf } from './place-gone.js';

/** A link into a chapter that is still to be written. */
export const placeUnwritten: Rule = {
  id: 'place-unwritten',
  title: 'Links into chapters without words',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.4',
  looksAt: (link) => link.kind === 'place',
  find(link, { inside }) {
    const place = inside?.places.get(placeOf(link));
    if (!place?.unwritten) return null;
    return {
      message: `“${place.words}” has no words yet: who follows this finds a heading alone. Write the chapter, or lead elsewhere until then.`,
      repairs: [REMOVE],
    };
  },
};
