import { fold, isVague } from '../../language/index.js';
import { accessibleName } from '../../reader/index.js';
import { languageOf, putWords, type RepairOffer, type Rule } from '../finding.js';

/** A hover note that says the link text again, or what the text should say. WCAG 2.4.4 (H33). */
export const hoverNote: Rule = {
  id: 'hover-note',
  title: 'Hover notes that repeat the words, or say what the words should',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.4 (H33)',
  looksAt: ({ hoverNote }) => hoverNote.trim() !== '',
  find(link, context) {
    const note = accessibleName({ text: link.hoverNote });
    const name = accessibleName({ text: link.text, about: link.about });
    const drop: RepairOffer = { label: 'Drop the note', repair: { type: 'hover-note', hoverNote: '' } };
    if (fold(note) === fold(name))
      return {
        message: 'The hover note says the link text again. Some screen readers then say it twice.',
        repairs: [drop],
      };
    if (name !== '' && !isVague(name, languageOf(link, context))) return null;
    return {
      message: 'The hover note carries what the link text should say. Readers without a mouse never meet it.',
      repairs: [putWords(note, `Put “${note}” as the text`)],
    };
  },
};
