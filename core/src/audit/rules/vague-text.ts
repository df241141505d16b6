import { isVague } from '../../language/index.js';
import { factsOf } from '../facts.js';
import { languageOf, type Judged, type Rule, type Severity } from '../finding.js';
import { explainedBy } from '../judged.js';
import { betterWords } from '../suggested-words.js';

/**
 * Words that say nothing about where the link leads. Without surroundings that do, WCAG 2.4.4 (A) fails, F63; with them,
 * 2.4.9 (AAA), F84. ACT 5effbb and aizyf1.
 */
export const vagueText: Rule = {
  id: 'vague-text',
  title: 'Words that don’t say where the link leads, such as “here” and “read more”',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4 (F63)',
  looksAt: ({ carrier }) => carrier !== 'reference',
  find(link, context) {
    const name = factsOf(link).name;
    if (!isVague(name, languageOf(link, context))) return null;
    // A hand-made note is told as such, its mark and its ways back, and an area is named by its own rule.
    const { inside } = context;
    if (inside?.handMade.has(link.id) || inside?.handMadeBacks.has(link.id)) return null;
    const judged = explainedBy(link, context);
    const { severity, criterion, message } = BY[judged];
    return { severity, criterion, judged, message: message(name), repairs: betterWords(link, context) };
  },
};

interface By {
  severity: Severity;
  criterion: string;
  message(name: string): string;
}

const inContext = (what: string): By => ({
  severity: 'consider',
  criterion: 'WCAG 2.4.9 (F84)',
  message: (name) =>
    `“${name}” says nothing by itself; ${what} explains it. In a list of all links, as screen readers make it, it stands alone.`,
});

const BY: Record<Judged, By> = {
  alone: {
    severity: 'must-fix',
    criterion: 'WCAG 2.4.4 (F63)',
    message: (name) =>
      `“${name}” does not say where this leads, and nothing around it does. Put words that name what is there.`,
  },
  heading: {
    severity: 'should-fix',
    criterion: 'WCAG 2.4.4 (H80)',
    message: (name) =>
      `“${name}” does not say where this leads. Only the heading above explains it, and not every screen reader tells that here.`,
  },
  sentence: inContext('its sentence'),
  paragraph: inContext('its paragraph'),
  item: inContext('its list item'),
  cell: inContext('its cell of the table'),
};
