import { phrases, saysNewWindow } from '../../language/index.js';
import { aboutOrNothing } from '../../manuscript/index.js';
import { factsOf } from '../facts.js';
import { languageOf, putWords, type Rule } from '../finding.js';

/** A new window that nothing announces to those who see it; its name in the web page says it. WCAG 3.2.5 (AAA), G201 and H83. */
export const newWindow: Rule = {
  id: 'new-window',
  title: 'New windows that are not announced',
  severity: 'consider',
  criterion: 'WCAG 3.2.5 (G201, H83)',
  looksAt: ({ about }) => about?.newWindow === true,
  find(link, context) {
    const { about } = link;
    if (!about) return null;
    const words = factsOf(link).words;
    if (
      saysNewWindow(
        `${factsOf(link).name} ${words} ${link.hoverNote} ${link.after}`,
        languageOf(link, context),
      )
    )
      return null;
    const text = link.carrier === 'text' && words !== '';
    return {
      judged: 'sentence',
      message:
        'On a web page this opens a new window. It is said to those who hear the page, and not to those who see it.',
      repairs: [
        {
          label: 'Open it in the same window',
          repair: { type: 'about', about: aboutOrNothing({ ...about, newWindow: false }) },
        },
        ...(text ? [putWords(`${words} (${phrases(context.language).newWindow})`)] : []),
      ],
    };
  },
};
