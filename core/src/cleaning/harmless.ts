import sanitize from 'sanitize-html';
import { decodeText, XML_ENCODING } from '../page/index.js';
import { INNER_PICTURE } from './allowed.js';
import { cleanDrawing } from './clean-drawing.js';
import { CleaningFault, readTree, writeTree } from './xml-tree.js';

/** Types of files that a browser would run, or show with what runs in them. */
const PAGE = /^(?:text\/html|application\/xhtml\+xml)$/;
const DRAWING = 'image/svg+xml';
const XML = /^(?:(?:application|text)\/xml|[\w./-]+\+xml)$/;

/** Whether something could run in a file of this media type when a browser opens it. */
export const couldRun = (type: string): boolean => PAGE.test(type) || XML.test(type);

/** A file as it may go into a book: a page, a drawing or other XML without what could run; any other as it is. */
export function harmless(type: string, bytes: Uint8Array): { bytes: Uint8Array } | { fault: string } {
  if (!couldRun(type)) return { bytes };
  if (type === DRAWING) return cleanDrawing(bytes);
  try {
    const text = PAGE.test(type)
      ? cleanPage(decodeText(bytes, PAGE_ENCODING))
      : cleanXml(decodeText(bytes, XML_ENCODING));
    return { bytes: new TextEncoder().encode(text) };
  } catch (error) {
    if (error instanceof CleaningFault) return { fault: error.message };
    throw error;
  }
}

const PAGE_ENCODING = /(?:<\?xml[^>]*encoding|<meta[^>]+charset)\s*=\s*["']?([\w-]+)/i;

/** A page of words, tables and pictures of its own; it is well-formed XML too. */
function cleanPage(text: string): string {
  const html = sanitize(text, {
    allowedTags: [...sanitize.defaults.allowedTags, 'html', 'head', 'body', 'title', 'img', 'del', 'ins'],
    allowedAttributes: {
      '*': ['id', 'class', 'lang', 'dir', 'title', 'role', 'aria-*'],
      a: ['href'],
      img: ['src', 'alt', 'width', 'height'],
      ol: ['start'],
      td: ['colspan', 'rowspan'],
      th: ['colspan', 'rowspan', 'scope'],
    },
    allowedSchemes: ['http', 'https', 'mailto'],
    allowedSchemesByTag: { img: ['data'] },
    exclusiveFilter: ({ tag, attribs }) => tag === 'img' && !INNER_PICTURE.test(attribs.src ?? ''),
    nestingLimit: 200,
  });
  const whole = /^\s*<html[\s>]/.test(html) ? html.trim() : `<html><body>${html}</body></html>`;
  return `<!DOCTYPE html>\n${whole.replace(/<html/, '<html xmlns="http://www.w3.org/1999/xhtml"')}\n`;
}

/** Namespaces whose elements browsers run. */
const RUN = new Set([
  'http://www.w3.org/1999/xhtml',
  'http://www.w3.org/2000/svg',
  'http://www.w3.org/1998/Math/MathML',
  'http://www.w3.org/1999/XSL/Transform',
]);

/** XML that is data: what its processing instructions and declarations ask for is not done. */
function cleanXml(text: string): string {
  const root = readTree(text, '', ({ tag, namespace }, given) =>
    RUN.has(namespace)
      ? null
      : { name: tag, attributes: Object.fromEntries(given.map((one) => [one.tag, one.value])), children: [] },
  );
  if (!root) throw new CleaningFault('there is nothing in it that may go into a book');
  return writeTree(root);
}
