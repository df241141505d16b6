import { element, escapeXml } from './xml.js';

/** One line of a list of links that nests by depth. */
export interface ListLine {
  depth: number;
  words: string;
  href: string;
}

/** A list within a list for each deeper line; a depth that is jumped over makes no empty list. */
export function nestedList(
  lines: readonly ListLine[],
  tag: 'ol' | 'ul',
  className: string | null = null,
): string {
  let written = `<${tag}>\n`;
  let next = 0;
  lines.forEach(({ depth, words, href }, at) => {
    if (at < next) return;
    next = at + 1;
    while ((lines[next]?.depth ?? depth) > depth) next++;
    const under = lines.slice(at + 1, next);
    const list = under.length > 0 ? `\n${nestedList(under, tag, className)}` : '';
    written += `<li>${element('a', { href, class: className }, escapeXml(words))}${list}</li>\n`;
  });
  return `${written}</${tag}>`;
}
