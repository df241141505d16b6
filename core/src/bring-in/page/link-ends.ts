import { isText, type Document, type Element } from 'domhandler';
import { getElementsByTagName, textContent } from 'domutils';
import type { Tally } from '../book/report.js';
import { inside, words } from './elements.js';

/** Cleans what goes wrong with links while they are written: spaces that they took at their ends, and one link that became several. */
export function cleanLinks(document: Document, tally: Tally): void {
  for (const link of getElementsByTagName('a', document.children)) joinNext(link);
  for (const link of getElementsByTagName('a', document.children))
    if (link.attribs.href !== undefined && inside(link).every(({ name }) => name !== 'img'))
      trim(link, tally);
}

/** Joins a link with those just after it that lead to the same: changes of style and of spelling divide links. */
function joinNext(link: Element): void {
  const { parent } = link;
  if (!parent || link.attribs.href === undefined || isComputed(link)) return;
  const at = parent.children.indexOf(link);
  let next = parent.children[at + 1];
  while (next && isSameLink(link, next as Element)) {
    const taken = next as Element;
    for (const child of taken.children) child.parent = link;
    link.children.push(...taken.children);
    taken.children = [];
    parent.children.splice(at + 1, 1);
    next = parent.children[at + 1];
  }
}

const isComputed = ({ attribs }: Element): boolean => attribs['data-reference'] !== undefined;

function isSameLink(link: Element, next: Element): boolean {
  return (
    next.name === 'a' &&
    !isComputed(next) &&
    ['href', 'title', 'id', 'style'].every((name) => link.attribs[name] === next.attribs[name]) &&
    !isPictureAlone(link) &&
    !isPictureAlone(next)
  );
}

const isPictureAlone = (link: Element): boolean => textContent(link).trim() === '';

/** White space at the ends of a link stands beside it. */
function trim(link: Element, tally: Tally): void {
  if (textContent(link).trim() === '') return;
  const before = cut(link, 'first');
  const after = cut(link, 'last');
  if (!before && !after) return;
  tally.add('changed', 'links', 'they had taken a space at their ends, which stands beside them now');
  const { parent } = link;
  if (!parent) return;
  const at = parent.children.indexOf(link);
  const [space, more] = [words(' '), words(' ')];
  space.parent = more.parent = parent;
  if (after) parent.children.splice(at + 1, 0, more);
  if (before) parent.children.splice(at, 0, space);
}

/** Takes white space away from one end of an element, and says whether there was any. */
function cut(within: Element, end: 'first' | 'last'): boolean {
  const child = end === 'first' ? within.children[0] : within.children.at(-1);
  if (!child) return false;
  if (!isText(child)) return child.type === 'tag' && cut(child, end);
  const kept =
    end === 'first' ? child.data.replace(/^[ \t\r\n]+/, '') : child.data.replace(/[ \t\r\n]+$/, '');
  const had = kept !== child.data;
  child.data = kept;
  if (kept !== '' || !had) return had;
  within.children = within.children.filter((one) => one !== child);
  cut(within, end);
  return true;
}
