import { isTag, type Element } from 'domhandler';
import { getElementsByTagName, textContent } from 'domutils';
import { element, words } from './elements.js';

/** One reference of the parts that it is composed of; `null` where they lead to several places. */
export function composedOf(parts: Element): Element | null {
  const links = getElementsByTagName('a', parts.children);
  const [first] = links;
  if (!first || links.some(({ attribs }) => attribs.href !== first.attribs.href)) return null;
  const own = parts.children
    .map((part) => {
      const form = isTag(part) ? part.attribs['data-reference'] : undefined;
      return form ? `{${form}}` : textContent(part);
    })
    .join('');
  const isBoth = own === '{number} {words}';
  return element(
    'a',
    {
      href: first.attribs.href ?? '',
      'data-reference': isBoth ? 'number-words' : 'own',
      ...(isBoth ? {} : { 'data-own': own }),
    },
    [words(textContent(parts))],
  );
}
