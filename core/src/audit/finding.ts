import type { Node } from 'prosemirror-model';
import { domainsOf } from '../destination/index.js';
import {
  DEFAULT_LOOK,
  type Format,
  type Link,
  type LinkLook,
  type Place,
  type ReadBook,
} from '../manuscript/index.js';
import { settingsOf, type Setting } from '../reader/index.js';
import type { Repair } from '../repair/index.js';
import { NO_SURROUNDINGS, type Surroundings } from '../shelf/index.js';

/**
 * How grave a finding is: what fails WCAG at level A or AA, or leads nowhere, must be fixed; what puts readers at risk, or a
 * technique advises against, should be; what level AAA asks for, or is a matter of style, may be considered.
 */
export const SEVERITIES = ['must-fix', 'should-fix', 'consider'] as const;
export type Severity = (typeof SEVERITIES)[number];

/**
 * What a link was judged with: alone, or with what a program can tell a reader around it (WCAG 2.4.4; techniques G53, H77,
 * H78, H79, H80, H81).
 */
export const JUDGED = ['alone', 'sentence', 'paragraph', 'item', 'cell', 'heading'] as const;
export type Judged = (typeof JUDGED)[number];

/** A repair that takes one step, and the words on its button. */
export interface RepairOffer {
  label: string;
  repair: Repair;
}

/** What a check says of one link as the reader meets it. */
export interface Finding {
  rule: string;
  severity: Severity;
  message: string;
  /** The criterion and techniques that the rule rests on. */
  criterion: string;
  /** What the link was judged with; left out where its surroundings don't matter. */
  judged?: Judged;
  repairs: RepairOffer[];
}

/** What the last check knows of a destination, as far as rules use it. */
export interface Answered {
  verdict: string;
  /** Where it has moved to, and the same page by HTTPS. */
  movedTo: string | null;
  securedTo: string | null;
  /** The title of the page, and its language (BCP 47); empty where they are not known. */
  title: string;
  language: string;
}

/** What a rule may know of the book beside the link. `language` is a BCP 47 tag. */
export interface AuditContext extends Surroundings {
  language: string;
  /** How the book's links look. */
  look: LinkLook;
  /** How often the book's links lead to each domain, of web pages and email addresses. */
  domains: ReadonlyMap<string, number>;
  /** What a link stands in; without it, a link is judged with its sentence alone. */
  settingOf?(link: Link): Setting | undefined;
  /** The text of a chapter, as its links were read from it. */
  docOf?(chapter: string): Node | undefined;
  /** What the last check knows, by address. */
  answers?: ReadonlyMap<string, Answered>;
  /** The forms that the book is made in; without, all. */
  formats?: readonly Format[];
  /** The places of the book; without them, links inside it are not judged. */
  inside?: InsideContext;
}

/** What rules of single links may know of the book's own places. */
export interface InsideContext {
  places: ReadonlyMap<string, Place>;
  /** The forms in which chapters are left out, by chapter. */
  leftOutOf: ReadonlyMap<string, readonly Format[]>;
  /** Marks of hand-made notes by the id of the link, and whether their remark leads back. */
  handMade: ReadonlyMap<string, boolean>;
  /** Links by which the remarks of hand-made notes lead back, and the id of the mark they return to. */
  handMadeBacks: ReadonlyMap<string, string>;
}

/** How often links lead to each domain. */
export function domainCounts(links: readonly Pick<Link, 'destination'>[]): Map<string, number> {
  const domains = new Map<string, number>();
  for (const { destination } of links)
    for (const domain of domainsOf(destination)) domains.set(domain, (domains.get(domain) ?? 0) + 1);
  return domains;
}

export function auditContext(
  language: string,
  links: readonly Pick<Link, 'destination'>[],
  { files, books }: Surroundings = NO_SURROUNDINGS,
): AuditContext {
  return { language, look: DEFAULT_LOOK, domains: domainCounts(links), files, books };
}

/** What rules may look up in the text of a book: its chapters, and what each link stands in. */
export function lookUpIn({
  chapters,
}: Pick<ReadBook, 'chapters'>): Pick<AuditContext, 'docOf' | 'settingOf'> {
  const docs = new Map(chapters.map(({ id, doc }) => [id, doc]));
  return {
    docOf: (chapter) => docs.get(chapter),
    settingOf({ chapter, id }) {
      const doc = docs.get(chapter);
      return doc && settingsOf(doc).get(id);
    },
  };
}

/** What a rule found at a link. `severity` and `criterion` stand where they are not the rule's. */
export type Found = Pick<Finding, 'message' | 'repairs' | 'judged'> &
  Partial<Pick<Finding, 'severity' | 'criterion'>>;

/** What every rule says of itself. */
export interface RuleHead {
  id: string;
  /** What it looks for, for the list of rules. */
  title: string;
  severity: Severity;
  criterion: string;
}

/** One rule of the audit over single links: pure, one file each, listed in `rules/index.ts`. */
export interface Rule extends RuleHead {
  looksAt(link: Link): boolean;
  find(link: Link, context: AuditContext): Found | null;
}

export const REMOVE: RepairOffer = { label: 'Remove the link', repair: { type: 'unlink' } };

/** The language of the words of a link: as it is marked, or that of the book. */
export const languageOf = (
  link: Pick<Link, 'language'>,
  { language }: Pick<AuditContext, 'language'>,
): string => link.language || language;

export const putWords = (text: string, label = `Put “${text}”`): RepairOffer => ({
  label,
  repair: { type: 'text', text },
});

export const leadTo = (href: string, label = `Lead to ${href}`): RepairOffer => ({
  label,
  repair: { type: 'destination', destination: { kind: 'web', href } },
});
