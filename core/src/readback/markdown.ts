import MarkdownIt, { type MarkdownIt as Parser } from 'markdown-it';
import attrs from 'markdown-it-attrs';
import footnotes from 'markdown-it-footnote';
import { unzipSync } from 'fflate';
import type { FoundLink } from './found-link.js';
import { linksInWebPage } from './web.js';

/** Every link of a text in Markdown, or of the text in an archive, in reading order: as HTML that a parser of its own makes of it. */
export function linksInMarkdown(bytes: Uint8Array): FoundLink[] {
  const isArchive = bytes[0] === 0x50 && bytes[1] === 0x4b;
  const files = isArchive ? unzipSync(bytes) : {};
  const path = Object.keys(files).find((name) => name.endsWith('.md')) ?? '';
  const text = new TextDecoder().decode(isArchive ? files[path] : bytes).replace(/^---\n[\s\S]*?\n---\n/, '');
  const beside = new Set(Object.keys(files).filter((name) => name !== path));
  const page = `<!doctype html><body>${parser().render(text)}`;
  return linksInWebPage(new TextEncoder().encode(page), beside).map((link) => ({
    ...link,
    lands: link.lands || /^[^/]+\.md(?:#|$)/.test(link.href),
    where: 'the text',
  }));
}

/** Marks of notes are links to their remarks; their numbers are up to each program. */
function parser(): Parser {
  const made = new MarkdownIt({ html: true }).use(footnotes).use(attrs);
  made.validateLink = () => true;
  made.normalizeLink = (address) => address;
  const label = (meta: unknown) => (meta as { label: string }).label;
  const { rules } = made.renderer;
  rules.footnote_ref = (tokens, index) => `<a href="#${label(tokens[index]?.meta)}"></a>`;
  rules.footnote_open = (tokens, index) => `<section id="${label(tokens[index]?.meta)}">`;
  rules.footnote_close = () => '</section>';
  rules.footnote_anchor = () => '';
  return made;
}
