import { isTag, type Element } from 'domhandler';
import type { Counted } from '../book/report.js';

/** Elements that are not part of the text. */
export const SKIPPED = new Set([
  'head',
  'script',
  'style',
  'template',
  'noscript',
  'link',
  'meta',
  'title',
  'base',
  'param',
  'source',
  'track',
  'map',
]);

/** Elements that a book can't carry, by what they are called in the report. */
export const NOT_KEPT: Readonly<Record<string, Counted>> = {
  iframe: 'frames',
  object: 'embedded objects',
  embed: 'embedded objects',
  video: 'videos',
  audio: 'sounds',
  form: 'forms',
  input: 'form fields',
  button: 'form fields',
  select: 'form fields',
  textarea: 'form fields',
  canvas: 'canvases',
};

/** Those of them whose content is for readers who have no use of the thing itself (HTML, 4.8), or is text around it. */
export const SAYS_OTHERWISE: ReadonlySet<string> = new Set(['form', 'video', 'audio', 'object', 'canvas']);

/** Elements that are marks of the schema. */
export const MARKS: Record<string, string> = {
  em: 'emphasis',
  i: 'emphasis',
  cite: 'emphasis',
  dfn: 'emphasis',
  var: 'emphasis',
  strong: 'strong',
  b: 'strong',
  code: 'code',
  kbd: 'code',
  samp: 'code',
  tt: 'code',
  sub: 'subscript',
  sup: 'superscript',
  s: 'struck',
  strike: 'struck',
  del: 'struck',
};

/** Small capitals, by a style or by what files call them (common practice). */
export const isInSmallCapitals = ({ attribs }: Element): boolean =>
  /(?:^|;)\s*font-variant(?:-caps)?\s*:[^;]*\bsmall-caps\b/i.test(attribs.style ?? '') ||
  /(?:^|[\s_-])small[_-]?cap(?:s|itals)?(?:$|[\s_-])/i.test(attribs.class ?? '');

/** Elements that only decorate; their words are kept. */
export const PLAIN_STYLE = new Set(['u', 'ins', 'mark', 'small', 'big', 'font']);

const BLOCKS = new Set(
  (
    'address article aside blockquote body center dd details dir div dl dt fieldset figcaption figure footer h1 h2 h3 h4 h5 h6 ' +
    'header hgroup hr html legend li main menu nav ol p pre section summary table tbody td tfoot th thead tr ul'
  ).split(' '),
);

/** True for an element that stands on lines of its own: a block, or an inline element around one. */
export function isBlock(element: Element): boolean {
  if (BLOCKS.has(element.name)) return true;
  const wraps =
    element.name === 'a' || element.name === 'span' || MARKS[element.name] || PLAIN_STYLE.has(element.name);
  return Boolean(wraps) && element.children.some((child) => isTag(child) && isBlock(child));
}
