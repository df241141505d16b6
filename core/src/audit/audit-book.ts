import { handMadeNotes } from '../edits/index.js';
import { linksByChapter, mapOf, type BookMap, type Link, type ReadBook } from '../manuscript/index.js';
import type { Surroundings } from '../shelf/index.js';
import { LinkAuditor } from './link-auditor.js';
import { lookUpIn, type AuditContext, type Finding, type InsideContext } from './finding.js';
import { auditInside } from './inside/index.js';
import type { InsideFinding } from './inside/inside-finding.js';
import {
  asChosen,
  choicesByRule,
  NO_SURVEY,
  printOf,
  stillHolds,
  type SetAside,
  type Survey,
} from './survey.js';

/** Everything that is computed of a book's links and places at once. */
export interface BookAudit {
  map: BookMap;
  links: Link[];
  /** By the id of the link; without what is set aside. */
  findings: Map<string, Finding[]>;
  /** What is set aside, and holds, by the id of the link. */
  aside: Map<string, AsideFinding[]>;
  inside: InsideFinding[];
  context: AuditContext & { inside: InsideContext };
}

/** A finding that its author leaves as it is. */
export interface AsideFinding {
  finding: Finding;
  aside: SetAside;
}

/**
 * Audits a whole book: each link as a reader meets it, and the places, notes and lists that links depend on. An `auditor` that has seen the
 * book before looks only at what has changed.
 */
export function auditBook(
  book: ReadBook,
  surroundings: Surroundings,
  survey: Survey = NO_SURVEY,
  auditor = new LinkAuditor(),
): BookAudit {
  const map = mapOf(book);
  const byChapter = linksByChapter(book, map.say);
  const links = ([] as Link[]).concat(...byChapter.map((chapter) => chapter.links));
  const handMade = handMadeNotes(book, byChapter);
  const about: InsideContext = {
    places: map.places,
    leftOutOf: new Map(book.chapters.map(({ id, leftOutOf }) => [id, leftOutOf])),
    handMade: new Map(handMade.map(({ mark, backs }) => [mark.id, backs.length > 0])),
    handMadeBacks: new Map(handMade.flatMap(({ mark, backs }) => backs.map(({ id }) => [id, mark.id]))),
  };
  const { language, look } = book;
  const { files, books } = surroundings;
  const ground = { language, look, files, books, ...lookUpIn(book), answers: survey.answers, inside: about };
  const found = auditor.update(byChapter, ground);
  const context = { ...ground, domains: auditor.domains };
  const choices = choicesByRule(survey.choices);
  const { findings, aside } = withoutAside(found, links, context, survey);
  if (choices.size > 0)
    for (const [id, found] of findings) {
      const chosen = asChosen(found, choices);
      if (chosen.length > 0) findings.set(id, chosen);
      else findings.delete(id);
    }
  return {
    map,
    links,
    context,
    findings,
    aside,
    inside: asChosen(auditInside({ book, map, links, handMade }), choices),
  };
}

/** Parts what is found into what shows, and what is set aside and still as it was. */
function withoutAside(
  found: Map<string, Finding[]>,
  links: readonly Link[],
  context: AuditContext,
  { aside, today }: Survey,
): Pick<BookAudit, 'findings' | 'aside'> {
  const set = new Map<string, AsideFinding[]>();
  if (aside.length === 0) return { findings: found, aside: set };
  const linkOf = new Map(links.map((link) => [link.id, link]));
  for (const entry of aside) {
    const link = linkOf.get(entry.of);
    const findings = found.get(entry.of);
    const finding = findings?.find(({ rule }) => rule === entry.rule);
    if (!link || !findings || !finding || !stillHolds(entry, printOf(link, context), today)) continue;
    const rest = findings.filter((one) => one !== finding);
    if (rest.length > 0) found.set(link.id, rest);
    else found.delete(link.id);
    set.set(link.id, [...(set.get(link.id) ?? []), { finding, aside: entry }]);
  }
  return { findings: found, aside: set };
}
