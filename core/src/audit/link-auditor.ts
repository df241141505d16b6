import { slipsOf } from '../destination/index.js';
import { contentOf, type ChapterLinks, type Link } from '../manuscript/index.js';
import { auditLink, auditTogether, byGravity } from './audit.js';
import { factsOf } from './facts.js';
import type { AuditContext, Finding } from './finding.js';
import { LinkIndex } from './link-index.js';
import type { Node } from 'prosemirror-model';
import { settingsOf } from '../reader/index.js';
import { hostOf } from './web-host.js';

/** A link as it was last audited, and what it was judged with. */
interface Audited {
  link: Link;
  content: object;
  /** Its place in reading order among the links of its chapter. */
  at: number;
  next: object | undefined;
  /** The text of its chapter when it was last judged: what it stood in then is looked up when it is asked for. */
  doc: Node | undefined;
  /** What else it was judged with: the place that it leads to, its picture. */
  beside: readonly unknown[];
  alone: readonly Finding[];
  together: readonly Finding[];
}

/** A chapter as it was last audited. */
interface AuditedChapter {
  links: readonly Link[];
  doc: unknown;
  audited: Map<string, Audited>;
  /** Links to places: what is known of those may change with any chapter. */
  toPlaces: readonly Link[];
  findings: readonly [string, Finding[]][];
}

/** What all links are judged by. */
type Ground = Omit<AuditContext, 'domains'>;

const NONE: readonly [] = [];
/** Of a link that is new. */
const UNJUDGED: readonly Finding[] = [];
/** No chapter holds so many links. */
const MOST_LINKS = 1e7;

/** Whether what is left of an order is in that order still. */
function isOneOrder(before: Iterable<string>, now: readonly string[]): boolean {
  const places = new Map(now.map((id, at) => [id, at]));
  let last = -1;
  for (const id of before) {
    const at = places.get(id);
    if (at === undefined) continue;
    if (at < last) return false;
    last = at;
  }
  return true;
}

/**
 * Audits the links of a book again and again: only those that have changed, whose surroundings have, or that are judged beside one that
 * has. What comes out is what an audit of all of them would say.
 */
export class LinkAuditor {
  #ground: Ground | null = null;
  #chapters = new Map<string, AuditedChapter>();
  #index = new LinkIndex();
  #domains = new Map<string, number>();
  /** The links to each domain, by id; made when they are first asked for. */
  #byDomain: Map<string, Map<string, Link>> | null = null;

  /** What is found of the links of a book, in their order, by link id; those without findings are left out. */
  update(chapters: readonly ChapterLinks[], ground: Ground): Map<string, Finding[]> {
    const order = chapters.map(({ id }) => id);
    if (!this.#ground || !isOneGround(this.#ground, ground) || !isOneOrder(this.#chapters.keys(), order))
      this.#forget();
    this.#ground = ground;
    const isChanged = ({ id, links }: ChapterLinks): boolean => {
      const before = this.#chapters.get(id);
      return before?.links !== links || before.doc !== ground.docOf?.(id);
    };
    // Links that have changed places among those that stay: nothing that was put in order is in order any more.
    if (chapters.some((chapter) => isChanged(chapter) && this.#isTurned(chapter))) this.#forget();
    const changed = new Map(chapters.filter(isChanged).map((chapter) => [chapter.id, chapter]));
    const touched = this.#takeIn(chapters, [...changed.values()]);
    const context: AuditContext = { ...ground, domains: this.#domains };
    const all: [string, Finding[]][] = [];
    for (const { id, links } of chapters) {
      const before = this.#chapters.get(id)!;
      const own = touched.get(id);
      if (changed.has(id)) this.#judge(before, links, context, own, links);
      else if (own || before.toPlaces.length > 0)
        this.#judge(
          before,
          links,
          context,
          own,
          own
            ? links.filter(
                (link) => own.alone.has(link.id) || own.together.has(link.id) || link.kind === 'place',
              )
            : before.toPlaces,
        );
      all.push(...before.findings);
    }
    return new Map(all);
  }

  /** How often the links lead to each domain. */
  get domains(): ReadonlyMap<string, number> {
    return this.#domains;
  }

  #isTurned({ id, links }: ChapterLinks): boolean {
    const audited = this.#chapters.get(id)?.audited;
    let last = -1;
    for (const link of audited ? links : []) {
      const known = audited?.get(link.id);
      if (known?.content !== contentOf(link)) continue;
      if (known.at < last) return true;
      last = known.at;
    }
    return false;
  }

  /** Takes in what has changed, and says which links are to be judged anew: by themselves, or beside others. */
  #takeIn(chapters: readonly ChapterLinks[], changed: readonly ChapterLinks[]): Map<string, Touched> {
    // Where nothing was known, every link is judged anyway.
    const isFirst = this.#chapters.size === 0;
    const names = new Set<string>();
    const pages = new Set<string>();
    /** How many more links lead to a domain than before. */
    const domains = new Map<string, number>();
    const touched = new Map<string, Touched>();
    const toucher = (chapter: string): Touched => {
      const known = touched.get(chapter) ?? { alone: new Set(), together: new Set() };
      touched.set(chapter, known);
      return known;
    };
    const count = (link: Link, by: 1 | -1) => {
      if (!isFirst) {
        const { nameKey, destinationKey } = factsOf(link);
        if (nameKey !== '') names.add(nameKey);
        pages.add(destinationKey);
      }
      for (const domain of factsOf(link).domains) {
        domains.set(domain, (domains.get(domain) ?? 0) + by);
        if (!this.#byDomain) continue;
        if (by > 0) putUnder(this.#byDomain, domain, link);
        else this.#byDomain.get(domain)?.delete(link.id);
      }
    };
    const here = new Set(chapters.map(({ id }) => id));
    for (const [id, { audited }] of this.#chapters) {
      if (here.has(id)) continue;
      for (const { link } of audited.values()) {
        count(link, -1);
        this.#index.remove(link);
      }
      this.#chapters.delete(id);
    }
    const fresh: Link[] = [];
    for (const { id, links } of changed) {
      const before = this.#chapters.get(id)?.audited ?? new Map<string, Audited>();
      const audited = new Map<string, Audited>();
      for (const link of links) {
        const known = before.get(link.id);
        const content = contentOf(link);
        if (known?.content === content && !audited.has(link.id)) {
          this.#index.replace(known.link, link);
          known.link = link;
          known.at = audited.size;
          audited.set(link.id, known);
          continue;
        }
        fresh.push(link);
        if (!isFirst) toucher(id).alone.add(link.id);
        audited.set(link.id, {
          link,
          content,
          at: audited.size,
          next: undefined,
          doc: undefined,
          beside: NONE,
          alone: UNJUDGED,
          together: NONE,
        });
      }
      for (const [key, { link, content }] of before)
        if (audited.get(key)?.content !== content) {
          count(link, -1);
          this.#index.remove(link);
        }
      const toPlaces = links.filter(({ kind }) => kind === 'place');
      this.#chapters.set(id, { links, doc: this.#ground?.docOf?.(id), audited, toPlaces, findings: [] });
    }
    for (const link of fresh) count(link, 1);
    const rank = new Map(chapters.map(({ id }, at) => [id, at]));
    this.#index.add(fresh, (link) => {
      const at = this.#chapters.get(link.chapter)?.audited.get(link.id)?.at ?? 0;
      return (rank.get(link.chapter) ?? 0) * MOST_LINKS + at;
    });
    this.#index.forget(names);
    this.#setDomains(domains, isFirst ? null : toucher);
    for (const name of names)
      for (const { id, chapter } of this.#index.byName.get(name) ?? []) toucher(chapter).together.add(id);
    for (const page of pages)
      for (const { id, chapter } of this.#index.byDestination.get(page) ?? [])
        toucher(chapter).together.add(id);
    return touched;
  }

  /** Counts that have changed make other domains look mistyped, or no more so. */
  #setDomains(more: ReadonlyMap<string, number>, toucher: ((chapter: string) => Touched) | null): void {
    const changed = [...more].flatMap(([domain, by]) => (by === 0 ? [] : [domain]));
    if (changed.length === 0) return;
    // Rules keep what they computed of all domains with the map itself.
    this.#domains = new Map(this.#domains);
    for (const domain of changed) {
      const count = (this.#domains.get(domain) ?? 0) + (more.get(domain) ?? 0);
      if (count > 0) this.#domains.set(domain, count);
      else this.#domains.delete(domain);
    }
    if (!toucher) return;
    const byDomain = (this.#byDomain ??= this.#linksByDomain());
    const registrable = (name: string) => hostOf(name).registrable;
    for (const domain of changed)
      for (const near of [domain, ...slipsOf(domain, this.#domains, registrable)])
        for (const { id, chapter } of byDomain.get(near)?.values() ?? []) toucher(chapter).alone.add(id);
  }

  #linksByDomain(): Map<string, Map<string, Link>> {
    const byDomain = new Map<string, Map<string, Link>>();
    for (const { links } of this.#chapters.values())
      for (const link of links) for (const domain of factsOf(link).domains) putUnder(byDomain, domain, link);
    return byDomain;
  }

  /** Judges some links of a chapter anew, as far as they need it. */
  #judge(
    chapter: AuditedChapter,
    links: readonly Link[],
    context: AuditContext,
    touched: Touched | undefined,
    some: readonly Link[],
  ): void {
    const { audited } = chapter;
    const nextOf = some === links ? null : new Map(links.map((link, at) => [link, links[at + 1]]));
    const doc = some[0] && context.docOf?.(some[0].chapter);
    let isNew = some === links;
    some.forEach((link, at) => {
      const known = audited.get(link.id)!;
      const next = nextOf ? nextOf.get(link) : links[at + 1];
      const beside = besideOf(link, context);
      const isUnjudged = known.alone === UNJUDGED;
      const hasMoved =
        isUnjudged ||
        !areSame(known.beside, beside) ||
        (known.doc !== doc && !isSetAlike(link.id, known.doc, doc));
      const nextContent = next && contentOf(next);
      if (hasMoved || touched?.alone.has(link.id)) {
        known.alone = auditLink(link, context);
        isNew = true;
      }
      if (hasMoved || touched?.together.has(link.id) || known.next !== nextContent) {
        known.together = auditTogether(link, next, this.#index, context);
        isNew = true;
      }
      known.doc = doc;
      known.beside = beside;
      known.next = nextContent;
    });
    if (!isNew) return;
    const findings: [string, Finding[]][] = [];
    for (const { id } of links) {
      const { alone, together } = audited.get(id)!;
      if (alone.length + together.length === 0) continue;
      findings.push([id, together.length > 0 ? [...alone, ...together].sort(byGravity) : [...alone]]);
    }
    chapter.findings = findings;
  }

  #forget(): void {
    this.#chapters = new Map();
    this.#index = new LinkIndex();
    this.#domains = new Map();
    this.#byDomain = null;
  }
}

function putUnder(byDomain: Map<string, Map<string, Link>>, domain: string, link: Link): void {
  const own = byDomain.get(domain);
  if (own) own.set(link.id, link);
  else byDomain.set(domain, new Map([[link.id, link]]));
}

/** Links of one chapter that are to be judged anew, by their ids. */
interface Touched {
  alone: Set<string>;
  together: Set<string>;
}

/** Where what all links are judged by changes, all are judged again. */
const isOneGround = (one: Ground, other: Ground): boolean =>
  one.language === other.language &&
  one.look === other.look &&
  one.files === other.files &&
  one.books === other.books &&
  one.answers === other.answers &&
  one.formats === other.formats;

/** Whether a link stands among the very nodes that it stood among. */
function isSetAlike(id: string, before: Node | undefined, now: Node | undefined): boolean {
  const [one, other] = [before, now].map((doc) => doc && settingsOf(doc).get(id));
  if (!one || !other) return one === other;
  return (
    one.line === other.line &&
    one.items[0] === other.items[0] &&
    one.items.at(-1) === other.items.at(-1) &&
    one.cell?.table === other.cell?.table &&
    one.headings.at(-1) === other.headings.at(-1) &&
    one.headings[0] === other.headings[0]
  );
}

/** What a link is judged with that does not stand around it: what is known of the place that it leads to, and its picture. */
function besideOf(
  { id, destination, carrier, chapter, from }: Link,
  context: AuditContext,
): readonly unknown[] {
  if (destination.kind !== 'place' && carrier !== 'area' && carrier !== 'picture') return NONE;
  const { inside, docOf } = context;
  const beside: unknown[] = [];
  if (destination.kind === 'place') {
    const place = inside?.places.get(destination.place);
    beside.push(place?.words, place?.chapter, inside?.handMade.get(id), inside?.handMade.size);
    beside.push(inside?.handMadeBacks.has(id));
    beside.push(place && `${inside?.leftOutOf.get(place.chapter)}|${inside?.leftOutOf.get(chapter)}`);
  }
  if (carrier === 'area' || carrier === 'picture') beside.push(docOf?.(chapter)?.nodeAt(from));
  return beside;
}

const areSame = (one: readonly unknown[], other: readonly unknown[]): boolean =>
  one === other || (one.length === other.length && one.every((part, at) => part === other[at]));
