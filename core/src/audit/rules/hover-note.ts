import { accessibleName } from '../../reader/index.js';
import type { RepairOffer, Rule } from '../finding.js';
import { isVague } from '../../language/index.js';

/** A hover note that says the link text again, or what the text should say. WCAG 2.4.4, H33. */
export const hoverNote: Rule = {
  id: 'hover-note',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.4 (H33)',
  looksAt: (link) => accessibleName({ text: link.hoverNote }) !== '',
  find(link, { language }) {
    const note = accessibleName({ text: link.hoverNote });
    const name = accessibleName(link);
    const drop: RepairOffer = { label: 'Drop the note', repair: { type: 'hover-note', hoverNote: '' } };
    if (same(note) === same(name))
      return {
        message: 'The hover note says the link text again. Some screen readers then say it twice.',
        repairs: [drop],
      };
    if (name === '' || !isVague(name, language)) return null;
    return {
      message: 'The hover note carries what the link text should say. Readers without a mouse never meet it.',
      repairs: [{ label: `Put “${note}” as the text`, repair: { type: 'text', text: note } }],
    };
  },
};

const same = (words: string) =>
  words
    .toLocaleLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
