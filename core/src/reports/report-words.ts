import type { Severity } from '../audit/index.js';
import { message } from '../language/index.js';
import type { VerdictName } from '../reach/index.js';
import type { SurveyReport } from './survey-report.js';

export const SEVERITY_TITLES: Record<Severity, string> = {
  'must-fix': 'Must fix',
  'should-fix': 'Should fix',
  consider: 'Consider',
};

export const VERDICT_TITLES: Record<VerdictName, string> = {
  broken: 'Broken',
  unreachable: 'Unreachable',
  moved: 'Moved',
  guarded: 'Guarded',
  doubtful: 'Doubtful',
  unchecked: 'Unchecked',
  sound: 'Sound',
};

/** What each severity stands for. */
export const SEVERITY_MEANINGS: Record<Severity, string> = {
  'must-fix': 'It fails WCAG 2.2 at level A or AA, or leads nowhere.',
  'should-fix': 'It puts readers at risk, or a technique of WCAG advises against it.',
  consider: 'WCAG asks for it at level AAA, or it is a matter of style.',
};

/** The statement of accessibility of the links of a book, as sentences. */
export function statementOf({ book, counts, checkedAt, madeAt, rules, aside }: SurveyReport): string[] {
  const { findings, verdicts, links, destinations } = counts;
  const day = (moment: string) =>
    new Intl.DateTimeFormat('en-GB', { dateStyle: 'long' }).format(new Date(moment));
  const off = rules.filter(({ severity }) => severity === 'off');
  const lost = (verdicts.broken ?? 0) + (verdicts.unreachable ?? 0);
  const sentences = [
    message(
      'The {links, plural, one {one link} other {# links}} of “{title}” were judged on {day} by {rules} rules that rest on WCAG 2.2, its techniques and the ACT rules.',
      { links, title: book.title, day: day(madeAt), rules: rules.length - off.length },
    ),
    findings['must-fix'] === 0
      ? 'Nothing was found in the words, pictures and destinations of the links that fails WCAG 2.2 at level A or AA as far as these rules can tell.'
      : message(
          '{count, plural, one {One finding fails} other {# findings fail}} WCAG 2.2 at level A or AA, or leads readers nowhere, so the links do not conform yet.',
          { count: findings['must-fix'] },
        ),
    checkedAt
      ? message(
          'Their {destinations, plural, one {one destination was} other {# destinations were}} last asked for on {day}: {lost, plural, =0 {none was} one {one was} other {# were}} broken or could not be reached.',
          { destinations, day: day(checkedAt), lost },
        )
      : 'Their destinations were not asked for yet.',
  ];
  if (aside.length > 0)
    sentences.push(
      message(
        '{count, plural, one {One finding was} other {# findings were}} set aside by the author, with the reasons that stand below.',
        {
          count: aside.length,
        },
      ),
    );
  if (off.length > 0)
    sentences.push(
      message(
        '{count, plural, one {One rule was} other {# rules were}} switched off for this book, with the reasons that stand below.',
        {
          count: off.length,
        },
      ),
    );
  sentences.push('What only a person can judge, such as whether words are true, was not judged.');
  return sentences;
}
