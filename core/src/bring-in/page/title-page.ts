import type { Document, Element } from 'domhandler';
import { getElementsByTagName, textContent } from 'domutils';
import { inside } from './elements.js';
import type { Said } from './read-pages.js';

/** Lines of a title page, as they are marked on the way. */
const LINES = ['title', 'subtitle', 'author'] as const;

/** Takes the title page at the beginning of a document for what it says of the book; one that leads somewhere, or is led to, stays. */
export function withoutTitlePage(document: Document, said: Said): Said {
  const [body] = getElementsByTagName('body', document.children);
  const found: Partial<Record<(typeof LINES)[number], string>> = {};
  if (body)
    for (const line of inside(body)) {
      const kind = LINES.find((one) => line.attribs[`data-${one}`] !== undefined);
      const text = textContent(line).replace(/\s+/g, ' ').trim();
      if (!kind && text === '' && isBare(line)) continue;
      if (!kind || found[kind] !== undefined || !isBare(line)) break;
      found[kind] = text;
      line.children = [];
    }
  return {
    ...said,
    title: found.title || said.title,
    subtitle: found.subtitle || (said.subtitle ?? ''),
    author: found.author || said.author,
  };
}

/** Words and their looks, and nothing that leads or is led to. */
const isBare = (line: Element): boolean =>
  getElementsByTagName((name) => /^(?:a|img|math|table|hr|div)$/.test(name), line.children).length === 0 &&
  !/^(?:hr|div|table|figure)$/.test(line.name) &&
  !getElementsByTagName('span', line.children).some(({ attribs }) => attribs.id !== undefined);
