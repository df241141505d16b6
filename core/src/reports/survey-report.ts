import type { AsideFinding, Finding, InsideFinding, RuleChoice, SetAside, Severity } from '../audit/index.js';
import { SEVERITIES } from '../audit/index.js';
import type { Link } from '../manuscript/index.js';
import { VERDICTS, type Verdict, type VerdictName } from '../reach/index.js';

/** One finding as it is handed on: which use it is about, in its sentence. */
export interface ReportedFinding {
  severity: Severity;
  rule: string;
  criterion: string;
  message: string;
  /** What it was judged with; empty where that does not matter. */
  judged: string;
  chapter: string;
  before: string;
  text: string;
  after: string;
  href: string;
  link: string;
}

/** One destination and what the last check said of it. */
export interface ReportedDestination {
  href: string;
  verdict: VerdictName;
  reason: string;
  uses: number;
  /** ISO 8601; empty for what was never checked. */
  checkedAt: string;
  title: string;
}

export interface ReportedAside {
  rule: string;
  text: string;
  href: string;
  reason: string;
  until: string;
  author: string;
  at: string;
}

/** What a survey found, as data: every other form of the report is made of it. Times are ISO 8601. */
export interface SurveyReport {
  book: { id: string; title: string; author: string; language: string };
  madeAt: string;
  /** When the last check came to its end; `null` for never. */
  checkedAt: string | null;
  counts: {
    links: number;
    destinations: number;
    verdicts: Partial<Record<VerdictName, number>>;
    findings: Record<Severity, number>;
  };
  /** The rules by which it was judged, with what the author chose for this book. */
  rules: {
    id: string;
    title: string;
    criterion: string;
    severity: Severity | 'off';
    found: number;
    reason: string;
  }[];
  findings: ReportedFinding[];
  destinations: ReportedDestination[];
  aside: ReportedAside[];
}

/** What a report is made of. */
export interface ReportParts {
  book: SurveyReport['book'];
  madeAt: string;
  checkedAt: string | null;
  links: readonly Link[];
  findings: ReadonlyMap<string, readonly Finding[]>;
  inside: readonly InsideFinding[];
  aside: ReadonlyMap<string, readonly AsideFinding[]>;
  verdictsAside: readonly SetAside[];
  rules: readonly { id: string; title: string; criterion: string; severity: Severity }[];
  choices: readonly RuleChoice[];
  chapterTitle(id: string): string;
  verdictOf(link: Link): Pick<Verdict, 'verdict' | 'reason'>;
  answerOf(href: string): { checkedAt: string; title: string } | undefined;
}

export function surveyReport(parts: ReportParts): SurveyReport {
  const { book, madeAt, checkedAt, links, chapterTitle, verdictOf, answerOf } = parts;
  const destinations = new Map<string, ReportedDestination>();
  for (const link of links) {
    const known = destinations.get(link.href);
    if (known) known.uses += 1;
    else {
      const { verdict, reason } = verdictOf(link);
      const answer = answerOf(link.href);
      destinations.set(link.href, {
        ...{ href: link.href, verdict, reason, uses: 1 },
        ...{ checkedAt: answer?.checkedAt ?? '', title: answer?.title ?? '' },
      });
    }
  }
  const ofLinks = links.flatMap((link) =>
    (parts.findings.get(link.id) ?? []).map(({ severity, rule, criterion, message, judged = '' }) => ({
      ...{ severity, rule, criterion, message, judged, chapter: chapterTitle(link.chapter) },
      ...{ before: link.before, text: link.text, after: link.after, href: link.href, link: link.id },
    })),
  );
  const ofPlaces = parts.inside.map(({ severity, rule, criterion, message, subject }) => ({
    ...{ severity, rule, criterion, message, judged: '', chapter: chapterTitle(subject.chapter) },
    ...{ before: '', text: subject.words, after: '', href: `#${subject.id}`, link: '' },
  }));
  const findings = [...ofLinks, ...ofPlaces].sort(
    (one, other) => SEVERITIES.indexOf(one.severity) - SEVERITIES.indexOf(other.severity),
  );
  const chosen = new Map(parts.choices.map((choice) => [choice.rule, choice]));
  const linkOf = new Map(links.map((link) => [link.id, link]));
  return {
    ...{ book, madeAt, checkedAt },
    counts: {
      links: links.length,
      destinations: destinations.size,
      verdicts: countsOf(VERDICTS, [...destinations.values()], ({ verdict }) => verdict),
      findings: {
        'must-fix': 0,
        'should-fix': 0,
        consider: 0,
        ...countsOf(SEVERITIES, findings, ({ severity }) => severity),
      },
    },
    rules: parts.rules.map(({ id, title, criterion, severity }) => ({
      ...{ id, title, criterion, severity: chosen.get(id)?.severity ?? severity },
      found: findings.filter(({ rule }) => rule === id).length,
      reason: chosen.get(id)?.reason ?? '',
    })),
    findings,
    destinations: [...destinations.values()].sort(
      (one, other) => VERDICTS.indexOf(one.verdict) - VERDICTS.indexOf(other.verdict),
    ),
    aside: [
      ...[...parts.aside.values()]
        .flat()
        .map(({ finding, aside }) => asideRow(aside, finding.rule, linkOf.get(aside.of))),
      ...parts.verdictsAside.map((aside) => asideRow(aside, 'verdict', undefined)),
    ],
  };
}

const asideRow = (
  { of, reason, until, author, at }: SetAside,
  rule: string,
  link: Link | undefined,
): ReportedAside => ({ rule, text: link?.text ?? '', href: link?.href ?? of, reason, until, author, at });

function countsOf<Name extends string, Item>(
  names: readonly Name[],
  items: readonly Item[],
  nameOf: (item: Item) => Name,
): Partial<Record<Name, number>> {
  const counts: Partial<Record<Name, number>> = {};
  for (const name of names) {
    const count = items.filter((item) => nameOf(item) === name).length;
    if (count > 0) counts[name] = count;
  }
  return counts;
}
