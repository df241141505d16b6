import MarkdownIt, { type MarkdownIt as Reader } from 'markdown-it';
import attrs from 'markdown-it-attrs';
import spans from 'markdown-it-bracketed-spans';
import footnotes from 'markdown-it-footnote';

/** What a footnote is called while it is on its way from Markdown to a page. */
export const NOTE = { mark: 'data-note-ref', remark: 'data-remark' } as const;

/**
 * Markdown as HTML: CommonMark with tables and strike-through (GFM), and of common practice footnotes, `{#ids}` and `[words]{…}`. Addresses
 * stay as they are written; what may be kept of them is decided where links are read.
 */
const reader = new MarkdownIt({ html: true })
  .use(footnotes)
  // Its types say that it is a module of ECMAScript, which it is not.
  .use(spans as unknown as (reader: Reader) => void)
  .use(attrs, { allowedAttributes: ['id', 'class', 'lang', 'title', 'width', 'style', /^data-[a-z-]+$/] });
reader.validateLink = () => true;
reader.normalizeLink = (address) => address;
reader.normalizeLinkText = (address) => address;

reader.renderer.rules.footnote_ref = (tokens, index) => {
  return `<span ${NOTE.mark}="${labelOf(tokens[index]?.meta)}"></span>`;
};
reader.renderer.rules.footnote_block_open = () => '<section>';
reader.renderer.rules.footnote_block_close = () => '</section>';
reader.renderer.rules.footnote_open = (tokens, index) =>
  `<div ${NOTE.remark}="${labelOf(tokens[index]?.meta)}">`;
reader.renderer.rules.footnote_close = () => '</div>';
reader.renderer.rules.footnote_anchor = () => '';

/** The label of a note; of one that stands in the line itself (`^[…]`) its number. */
function labelOf(meta: unknown): string {
  const { id, label } = meta as { id: number; label?: string };
  return reader.utils.escapeHtml(label ?? `${id}.`);
}

export const htmlOf = (text: string): string => reader.render(text);
