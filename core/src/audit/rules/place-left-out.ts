import { REMOVE, type Rule } from '../finding.js';
import { placeOf } from './place-gone.js';

const FORM_WORDS = {
  epub: 'e-book',
  pdf: 'PDF',
  web: 'web page',
  docx: 'DOCX document',
  odt: 'ODT document',
  markdown: 'Markdown text',
} as const;

/** A link to a place of a chapter that an edition leaves out. */
export const placeLeftOut: Rule = {
  id: 'place-left-out',
  title: 'Places in chapters that a form leaves out',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4',
  looksAt: (link) => link.kind === 'place',
  find(link, { inside }) {
    const place = inside?.places.get(placeOf(link));
    if (!inside || !place) return null;
    const own = inside.leftOutOf.get(link.chapter) ?? [];
    const without = (inside.leftOutOf.get(place.chapter) ?? []).filter((form) => !own.includes(form));
    if (without.length === 0) return null;
    const forms = without.map((form) => `the ${FORM_WORDS[form]}`).join(' and ');
    return {
      message: `This leads into a chapter that is left out of ${forms}, so it leads nowhere there. Take the chapter in under Publish, or lead elsewhere.`,
      repairs: [REMOVE],
    };
  },
};
