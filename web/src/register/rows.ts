import { SEVERITIES, VERDICT_ASIDE, type Finding, type Severity } from '@vennet/core/audit';
import type { Link } from '@vennet/core/manuscript';
import { askedAddress, VERDICTS, type Verdict, type VerdictName } from '@vennet/core/reach';
import type { DestinationVerdict, Manuscript } from '@vennet/core/wire';
import { destinationWords } from '../book/destination-words.js';
import { verdictFor, type BookStore } from '../book/store.js';
import { mapped, type Sliced } from '../parts/use-in-slices.js';

/** A line of the Register: a destination with all its uses, or one link. */
export interface Row {
  key: string;
  href: string;
  uses: [Link, ...Link[]];
  /** What a check asks for; `null` for what is inside. */
  asked: string | null;
  verdict: VerdictName;
  /** What the verdict says, and all that was found. */
  about: Verdict | DestinationVerdict;
  /** ISO 8601. */
  checkedAt: string | null;
  findings: Finding[];
  /** Where it leads, in words. */
  leads: string;
  /** The words of the first link. */
  words: string;
  chapter: string;
  /** The title of the page, where a check has read it. */
  title: string;
  site: string;
  /** What it is searched by, in small letters. */
  searched: string;
  /** Its place in the order in which the author is needed. */
  rank: number;
}

type Known = Pick<BookStore, 'links' | 'findings' | 'placeIds' | 'places' | 'verdicts' | 'surroundings'> &
  Pick<Manuscript, 'chapters'>;

/** What several rows need of the book, looked up once. */
function makeRows(known: Known): (key: string, uses: [Link, ...Link[]], findings: Finding[]) => Row {
  const { verdicts, surroundings, places } = known;
  const chapters = new Map(known.chapters.map(({ id, title }) => [id, title]));
  return (key, uses, findings) => {
    const [first] = uses;
    const about = verdictFor(first, known);
    const asked = askedAddress(first.destination, surroundings);
    const answer = verdicts.get(asked ?? first.href);
    const leads = destinationWords(first.destination, { places, surroundings });
    const chapter = chapters.get(first.chapter) ?? '';
    const title = answer?.title ?? '';
    return {
      ...{
        key,
        href: first.href,
        uses,
        asked,
        verdict: about.verdict,
        about,
        findings,
        leads,
        chapter,
        title,
      },
      checkedAt: answer?.checkedAt ?? null,
      words: first.text.trim(),
      site: siteOf(first),
      searched: [first.href, leads, title, chapter, ...uses.map(({ text }) => text)].join('\n').toLowerCase(),
      rank: VERDICTS.indexOf(about.verdict) * 4 + graveness(findings),
    };
  };
}

const graveness = (findings: readonly Finding[]): number => {
  const worst = worstOf(findings);
  return worst === null ? 3 : SEVERITIES.indexOf(worst);
};

/** The gravest severity among findings. */
export const worstOf = (findings: readonly Finding[]): Severity | null =>
  SEVERITIES.find((severity) => findings.some((finding) => finding.severity === severity)) ?? null;

function siteOf({ kind, href }: Link): string {
  if (kind === 'web')
    return /^https?:\/\/(?:[^/@]*@)?(?:www\.)?([^/:?#]+)/.exec(href)?.[1] ?? 'Telephones and maps';
  if (kind === 'mail')
    return /@([^?,]+)/.exec(decodeURIComponent(href.replace(/%(?![0-9a-f]{2})/gi, '%25')))?.[1] ?? 'Email';
  return { place: 'This book', file: 'The Shelf', book: 'Other books' }[kind];
}

/** The links of a book grouped by destination. */
export function* destinationRows(known: Known): Sliced<Row[]> {
  const grouped = new Map<string, [Link, ...Link[]]>();
  yield* mapped(known.links, (link) => {
    const uses = grouped.get(link.href);
    if (uses) uses.push(link);
    else grouped.set(link.href, [link]);
  });
  const row = makeRows(known);
  return yield* mapped([...grouped], ([href, uses]) =>
    row(
      href,
      uses,
      uses.flatMap(({ id }) => known.findings.get(id) ?? []),
    ),
  );
}

/** Every link by itself, in reading order. */
export function* linkRows(known: Known): Sliced<Row[]> {
  const row = makeRows(known);
  return yield* mapped(known.links, (link) => row(link.id, [link], known.findings.get(link.id) ?? []));
}

/** Whether the verdict on a row was set aside, and is still the same. */
export const isVerdictAside = (
  { href, verdict }: Row,
  { aside }: BookStore['choices'],
  today: string,
): boolean =>
  aside.some(
    ({ rule, of, print, until }) =>
      rule === VERDICT_ASIDE && of === href && print === verdict && (until === '' || until >= today),
  );
