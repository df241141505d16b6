import { isTag, type Element } from 'domhandler';
import { findOne, textContent } from 'domutils';
import { languageTold } from '../../language/index.js';
import { aboutOrNothing, BOUNDS, type LinkAbout, type LinkLook } from '../../manuscript/index.js';
import { contrast, PAGES } from '../../reader/index.js';
import { DEFAULT_LOOK } from '../../manuscript/index.js';
import type { Tally } from '../book/report.js';
import { declarationsOf, type LinkStyles } from './link-styles.js';

/** Windows that are none: the link stays where it is read. */
const SAME_WINDOW = new Set(['', '_self', '_parent', '_top']);

/** What an element says of its link beside its words: a name, a language, a window (ARIA 1.2; HTML, 4.6.1). */
export function aboutFrom(element: Element, tally: Tally): LinkAbout | null {
  const { hreflang = '', target = '', rel = '', ping } = element.attribs;
  const language = hreflang.trim() === '' ? '' : languageTold(hreflang);
  if (language === null)
    tally.add('leftOut', 'languages of pages', `“${hreflang.slice(0, 40)}” is no language tag`);
  if (
    rel
      .split(/\s+/)
      .some((word) => /^(?:nofollow|sponsored|ugc|external|author|license|tag|bookmark|help)$/i.test(word))
  )
    tally.add('changed', 'links', 'what they say to search engines (rel) is not kept');
  if (ping !== undefined) tally.add('changed', 'links', 'they told others of each reader (ping)');
  return aboutOrNothing({
    name: nameFrom(element).slice(0, BOUNDS.words),
    language: language ?? '',
    newWindow: !SAME_WINDOW.has(target.toLowerCase()),
  });
}

/** `aria-labelledby` before `aria-label` (accname 1.2, 4.3.2); empty for neither. */
export function nameFrom(element: Element): string {
  const ids = element.attribs['aria-labelledby']?.split(/\s+/).filter(Boolean) ?? [];
  const words = ids.map((id) => {
    const named = findOne((one) => one.attribs.id === id, rootOf(element).children, true);
    return named ? (named.attribs['aria-label'] ?? named.attribs.alt ?? textContent(named)) : '';
  });
  return plain(words.join(' ')) || plain(element.attribs['aria-label'] ?? '');
}

const plain = (words: string) => words.replace(/\s+/g, ' ').trim();

function rootOf(element: Element) {
  let root: Element = element;
  for (let parent = root.parent; parent; parent = parent.parent) root = parent as Element;
  return root;
}

/** The words of a picture: what names it before its `alt`, its `title` where it has none (accname 1.2; HTML AAM). */
export function altFrom(element: Element): string | undefined {
  if (element.attribs['aria-hidden'] === 'true' || /^(?:presentation|none)$/.test(element.attribs.role ?? ''))
    return '';
  return nameFrom(element) || (element.attribs.alt ?? element.attribs.title);
}

/**
 * How a link looks where the file gives it a look by hand, or by a rule for it on the page itself; `null` for the look of all
 * links. What a dark page shows is not said there: the same colour where it can be read, else that of the book.
 */
export function lookFrom(element: Element, styles: LinkStyles): LinkLook | null {
  const [only, ...more] = element.children.filter(
    (child) => isTag(child) || textContent(child).trim() !== '',
  );
  const inner = only && more.length === 0 && isTag(only) ? only : null;
  const own = {
    ...styles.of(element),
    ...declarationsOf(element),
    ...(inner ? { ...styles.of(inner), ...declarationsOf(inner) } : {}),
  };
  const { underline, weight } = own;
  const colour = own.hasGround || styles.hasGround ? undefined : own.colour;
  if (colour === undefined && underline === undefined && weight === undefined) return null;
  const light = colour ?? DEFAULT_LOOK.light;
  const dark = colour && contrast(colour, PAGES.dark.page) >= 4.5 ? colour : DEFAULT_LOOK.dark;
  return {
    light,
    dark,
    underline: underline ?? DEFAULT_LOOK.underline,
    weight: weight ?? DEFAULT_LOOK.weight,
  };
}
