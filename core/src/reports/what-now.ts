import { allRules, type Finding } from '../audit/index.js';
import { counted, message } from '../language/index.js';
import type { Link } from '../manuscript/index.js';
import { VERDICTS, type VerdictName } from '../reach/index.js';
import { leadElsewhere, planEach, type Plan, type Repair } from '../repair/index.js';

/** What the last check says of a link, as far as the next step depends on it. */
export interface Standing {
  verdict: VerdictName;
  movedTo: string | null;
  securedTo: string | null;
  copy: { href: string } | null;
  /** The author leaves the verdict as it is. */
  isAside: boolean;
}

/** One line of what is to be done next: what it is about, how many links, and which. */
export interface NextStep {
  id: string;
  words: string;
  links: Link[];
  /** How many pages, or how many links, it is about. */
  count: number;
}

/** A step that is ready: the repairs are known, and are previewed before they are made. */
export interface ReadyStep extends NextStep {
  /** `words`: each is picked by the author, one by one. */
  way: 'all' | 'words';
  plan: Plan;
}

export interface WhatNow {
  /** What puts most right comes first. */
  ready: ReadyStep[];
  /** What only the author can decide. */
  yours: NextStep[];
}

interface Surveyed {
  links: readonly Link[];
  findings: ReadonlyMap<string, readonly Finding[]>;
  standings: Standings;
}

/** What is to be done next in a book, as its survey stands. */
export function whatNow({ links, findings, standings }: Surveyed): WhatNow {
  const byRule = findingsByRule(links, findings);
  const ready = [...verdictSteps(links, standings), ...ruleSteps(byRule)];
  const taken = new Set(ready.flatMap(({ links: own, id }) => own.map((link) => `${link.id} ${id}`)));
  const yours = [...openVerdicts(links, standings, taken), ...openRules(byRule)];
  const most = (one: NextStep, other: NextStep) => weightOf(other) - weightOf(one);
  return { ready: ready.sort(most), yours: yours.sort(most) };
}

/** How much a step puts right: what leads nowhere weighs most, then what is graver. */
const WEIGHTS: Readonly<Record<string, number>> = {
  broken: 6,
  archive: 6,
  unreachable: 4,
  moved: 4,
  https: 2,
};
const BY_SEVERITY = { 'must-fix': 4, 'should-fix': 2, consider: 1 } as const;
const severities = new Map(allRules.map(({ id, severity }) => [id, severity]));

const weightOf = ({ id, count }: NextStep): number =>
  count * (WEIGHTS[id] ?? BY_SEVERITY[severities.get(id) ?? 'consider']);

type Standings = ReadonlyMap<Link, Standing>;

const pagesOf = (links: readonly Link[]): number => new Set(links.map(({ href }) => href)).size;

/** Steps that follow from what a check found. */
function verdictSteps(links: readonly Link[], standings: Standings): ReadyStep[] {
  const step = (
    id: string,
    hrefFor: (standing: Standing) => string | null,
    wordsFor: (count: number) => string,
  ): ReadyStep[] => {
    const target = (link: Link) => {
      const standing = standings.get(link);
      return link.kind === 'web' && standing && !standing.isAside ? hrefFor(standing) : null;
    };
    const own = links.filter((link) => target(link) !== null);
    if (own.length === 0) return [];
    const plan = planEach(own, (link) => leadElsewhere(link, { kind: 'web', href: target(link)! }));
    const count = pagesOf(own);
    return [{ id, way: 'all', words: wordsFor(count), links: own, count, plan }];
  };
  return [
    ...step(
      'moved',
      ({ verdict, movedTo }) => (verdict === 'moved' ? movedTo : null),
      (count) =>
        message(
          '{count, plural, one {One page has} other {# pages have}} moved for good: take the new addresses',
          { count },
        ),
    ),
    ...step(
      'https',
      ({ verdict, securedTo }) => (verdict === 'sound' ? securedTo : null),
      (count) =>
        message('{count, plural, one {One page answers} other {# pages answer}} the same by HTTPS: take it', {
          count,
        }),
    ),
    ...step(
      'archive',
      ({ verdict, copy }) => (verdict === 'broken' && copy ? copy.href : null),
      (count) =>
        message(
          '{count, plural, one {One lost page is} other {# lost pages are}} kept in an archive: lead to the copies',
          { count },
        ),
    ),
  ];
}

/** What a step over the findings of one rule says; `#` stands for how many links. */
const RULE_WORDS: Readonly<Record<string, string>> = {
  'vague-text': '{count, plural, one {One link says} other {# links say}} nothing by itself: words are ready',
  'raw-address':
    '{count, plural, one {One address stands} other {# addresses stand}} where words should: words are ready',
  'no-text': '{count, plural, one {One link has} other {# links have}} no words: words are ready',
  'untrimmed-ends':
    '{count, plural, one {One link takes} other {# links take}} in a space or a sign: trim the ends',
  tracking:
    '{count, plural, one {One address tells} other {# addresses tell}} where readers come from: drop that',
  'file-unsaid':
    '{count, plural, one {One link} other {# links}} to files without their type and size: words are ready',
  'look-contrast':
    '{count, plural, one {One link} other {# links}} can’t be read or told: look like the others',
  'new-window':
    '{count, plural, one {One link opens} other {# links open}} a window unsaid: stay in the same one',
  'hover-note':
    '{count, plural, one {One hover note repeats} other {# hover notes repeat}} or replaces words: put that right',
  neighbours:
    '{count, plural, one {One picture and its words are} other {# pictures and their words are}} two links: make one',
  'split-text': '{count, plural, one {One link is} other {# links are}} in pieces: make one',
};

/** Rules of which only the author knows which of several repairs is meant, or whether one is. */
const DECIDED = new Set([
  'misleading-text',
  'domain-typo',
  'place-gone',
  'plain-http',
  'label-in-name',
  'page-language',
]);

/** A repair that gives something up, that makes more of it than a link, or that may not be meant, is for the author to choose. */
const isForAuthor = (rule: string, first: Repair | undefined): boolean =>
  first === undefined || first.type === 'unlink' || first.type === 'make-note' || DECIDED.has(rule);

type ByRule = ReadonlyMap<string, readonly { link: Link; finding: Finding }[]>;

/** The links that each rule finds something of, in reading order. */
function findingsByRule(links: readonly Link[], findings: Surveyed['findings']): ByRule {
  const byRule = new Map<string, { link: Link; finding: Finding }[]>();
  for (const link of links)
    for (const finding of findings.get(link.id) ?? []) {
      const found = byRule.get(finding.rule);
      if (found) found.push({ link, finding });
      else byRule.set(finding.rule, [{ link, finding }]);
    }
  return byRule;
}

function ruleSteps(byRule: ByRule): ReadyStep[] {
  return allRules.flatMap((rule): ReadyStep[] => {
    const own = (byRule.get(rule.id) ?? []).filter(
      ({ finding }) => !isForAuthor(rule.id, finding.repairs[0]?.repair),
    );
    if (own.length === 0) return [];
    const firstOf = new Map(own.map(({ link, finding }) => [link, finding.repairs[0]!.repair]));
    const isWords = [...firstOf.values()].some(({ type }) => type === 'text');
    const words = RULE_WORDS[rule.id]
      ? message(RULE_WORDS[rule.id]!, { count: own.length })
      : `${rule.title}: ${counted(own.length, 'repair is', 'repairs are')} ready`;
    const links = own.map(({ link }) => link);
    const plan = planEach(links, (link) => [firstOf.get(link)!]);
    return [{ id: rule.id, way: isWords ? 'words' : 'all', words, links, count: own.length, plan }];
  });
}

const OPEN_WORDS: Partial<Record<VerdictName, string>> = {
  broken:
    '{count, plural, one {One destination is} other {# destinations are}} broken: find where they are now, or take the links away',
  unreachable:
    '{count, plural, one {One destination could} other {# destinations could}} not be reached: look yourself, or check again later',
  doubtful:
    '{count, plural, one {One destination is} other {# destinations are}} doubtful: look yourself, and tell what you saw',
  guarded:
    '{count, plural, one {One destination is} other {# destinations are}} behind a door: say who can open it',
  unchecked:
    '{count, plural, one {One destination was} other {# destinations were}} never checked: check them',
};

function openVerdicts(links: readonly Link[], standings: Standings, taken: ReadonlySet<string>): NextStep[] {
  return VERDICTS.flatMap((verdict): NextStep[] => {
    const words = OPEN_WORDS[verdict];
    const own = links.filter((link) => {
      const standing = standings.get(link);
      return (
        words !== undefined &&
        standing?.verdict === verdict &&
        !standing.isAside &&
        !taken.has(`${link.id} moved`) &&
        !taken.has(`${link.id} archive`)
      );
    });
    const count = pagesOf(own);
    return own.length === 0 ? [] : [{ id: verdict, words: message(words!, { count }), links: own, count }];
  });
}

/** Rules of which a finding has no repair that Vennet could make. */
function openRules(byRule: ByRule): NextStep[] {
  return allRules.flatMap((rule): NextStep[] => {
    const own = (byRule.get(rule.id) ?? []).filter(({ finding }) =>
      isForAuthor(rule.id, finding.repairs[0]?.repair),
    );
    if (own.length === 0) return [];
    const links = own.map(({ link }) => link);
    return [{ id: rule.id, words: `${rule.title}: ${own.length}`, links, count: own.length }];
  });
}
