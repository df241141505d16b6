import { isSourcesHeading, tellingWords } from '../language/index.js';
import { wordsOf, type Link } from '../manuscript/index.js';
import { accessibleName, headersOf, wordsBesideLinks } from '../reader/index.js';
import { languageOf, type AuditContext, type Judged } from './finding.js';

/** The nearest surroundings that say where a link leads whose own words don't; `alone` where nothing does. */
export function explainedBy(link: Link, context: AuditContext): Judged {
  const language = languageOf(link, context);
  const own = new Set(tellingWords(accessibleName(link), language));
  const tells = (words: string) =>
    tellingWords(words, context.language).some((word) => !own.has(word) && word.length > 3);
  if (tells(`${link.before} ${link.after}`)) return 'sentence';
  const setting = context.settingOf?.(link);
  if (!setting) return 'alone';
  const { line, items, cell, headings } = setting;
  if (line && tells(wordsOf(line))) return 'paragraph';
  const [item, ...above] = items;
  if (item && (tells(wordsOf(item)) || above.some((one) => tells(wordsOf(one.child(0)))))) return 'item';
  if (cell && tells(`${wordsOf(cell.node)} ${headersOf(cell)}`)) return 'cell';
  const heading = headings.at(-1);
  return heading && tells(wordsOf(heading)) ? 'heading' : 'alone';
}

/** Words in a remark beside its links from which it counts as a source that is cited. */
const CITED = 3;

/** True for a link in a list of sources, or in a remark that cites one: addresses belong there. */
export function isAmongSources(link: Link, { settingOf, language }: AuditContext): boolean {
  const setting = settingOf?.(link);
  if (!setting) return false;
  const { line, headings, inNote } = setting;
  if (headings.some((heading) => isSourcesHeading(wordsOf(heading), language))) return true;
  if (!line) return false;
  const opening = /^[^:：]{2,40}(?=[:：])/u.exec(wordsOf(line))?.[0];
  if (opening && isSourcesHeading(opening, language)) return true;
  return inNote && wordsBesideLinks(line).split(' ').length >= CITED;
}
