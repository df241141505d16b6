import { domainsOf, slipsOf } from '../destination/index.js';
import { contentOf, type ChapterLinks, type Link } from '../manuscript/index.js';
import { auditLink, auditTogether, byGravity } from './audit.js';
import { factsOf } from './facts.js';
import type { AuditContext, Finding } from './finding.js';
import { LinkIndex } from './link-index.js';
import { hostOf } from './web-host.js';

/** A link as it was last audited, and what it was judged with. */
interface Audited {
  link: Link;
  content: object;
  /** Its place in reading order among the links of its chapter. */
  at: number;
  next: object | undefined;
  around: readonly unknown[];
  alone: Finding[];
  together: Finding[];
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

const NONE: Finding[] = [];
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
  #byDomain = new Map<string, Map<string, Link>>();

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
      for (const domain of domainsOf(link.destination)) {
        domains.set(domain, (domains.get(domain) ?? 0) + by);
        const own = this.#byDomain.get(domain) ?? new Map<string, Link>();
        this.#byDomain.set(domain, own);
        if (by > 0) own.set(link.id, link);
        else own.delete(link.id);
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
          around: [],
          alone: NONE,
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
    const registrable = (name: string) => hostOf(name).registrable;
    for (const domain of changed)
      for (const near of [domain, ...slipsOf(domain, this.#domains, registrable)])
        for (const { id, chapter } of this.#byDomain.get(near)?.values() ?? [])
          toucher(chapter).alone.add(id);
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
    let isNew = some === links;
    some.forEach((link, at) => {
      const known = audited.get(link.id)!;
      const next = nextOf ? nextOf.get(link) : links[at + 1];
      const around = aroundOf(link, context);
      const hasMoved = known.around.length === 0 || around.some((one, index) => one !== known.around[index]);
      const nextContent = next && contentOf(next);
      if (hasMoved || touched?.alone.has(link.id)) {
        known.alone = auditLink(link, context);
        isNew = true;
      }
      if (hasMoved || touched?.together.has(link.id) || known.next !== nextContent) {
        known.together = auditTogether(link, next, this.#index, context);
        isNew = true;
      }
      known.around = around;
      known.next = nextContent;
    });
    if (!isNew) return;
    chapter.findings = links.flatMap(({ id }): [string, Finding[]][] => {
      const { alone, together } = audited.get(id)!;
      const found = together.length > 0 ? [...alone, ...together].sort(byGravity) : alone;
      return found.length > 0 ? [[id, found]] : [];
    });
  }

  #forget(): void {
    this.#chapters = new Map();
    this.#index = new LinkIndex();
    this.#domains = new Map();
    this.#byDomain = new Map();
  }
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

/** What a link is judged with beside itself: the very nodes around it, and what is known of the place that it leads to. */
function aroundOf(link: Link, { settingOf, inside, docOf }: AuditContext): unknown[] {
  const setting = settingOf?.(link);
  const { destination } = link;
  const around: unknown[] = [
    setting?.line,
    setting?.items[0],
    setting?.items.at(-1),
    setting?.cell?.table,
    setting?.headings.at(-1),
    setting?.headings[0],
  ];
  if (destination.kind === 'place') {
    const place = inside?.places.get(destination.place);
    around.push(place?.words, place?.chapter, inside?.handMade.get(link.id), inside?.handMade.size);
    around.push(place && `${inside?.leftOutOf.get(place.chapter)}|${inside?.leftOutOf.get(link.chapter)}`);
  }
  if (link.carrier === 'area' || link.carrier === 'picture')
    around.push(docOf?.(link.chapter)?.nodeAt(link.from));
  return around;
}
