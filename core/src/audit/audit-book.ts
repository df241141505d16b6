import { handMadeNotes } from '../edits/index.js';
import { linksOf, mapOf, type BookMap, type Link, type ReadBook } from '../manuscript/index.js';
import type { Surroundings } from '../shelf/index.js';
import { audit } from './audit.js';
import { auditContext, type AuditContext, type Finding, type InsideContext } from './finding.js';
import { auditInside } from './inside/index.js';
import type { InsideFinding } from './inside/inside-finding.js';

/** Everything that is computed of a book's links and places at once. */
export interface BookAudit {
  map: BookMap;
  links: Link[];
  /** By the id of the link. */
  findings: Map<string, Finding[]>;
  inside: InsideFinding[];
  context: AuditContext & { inside: InsideContext };
}

/** Audits a whole book: each link as a reader meets it, and the places, notes and lists that links depend on. */
export function auditBook(book: ReadBook, surroundings: Surroundings): BookAudit {
  const map = mapOf(book);
  const links = linksOf(book, map.say);
  const handMade = handMadeNotes(book, links);
  const about: InsideContext = {
    places: map.places,
    leftOutOf: new Map(book.chapters.map(({ id, leftOutOf }) => [id, leftOutOf])),
    handMade: new Map(handMade.map(({ mark, backs }) => [mark.id, backs.length > 0])),
  };
  const context = { ...auditContext(book.language, links, surroundings), inside: about };
  return {
    map,
    links,
    context,
    findings: audit(links, context),
    inside: auditInside({ book, map, links, handMade }),
  };
}
