import type { ChildNode } from 'domhandler';
import { SMALL_CAPITALS } from '../../manuscript/index.js';
import { element } from './elements.js';
import type { WordLook } from './word-look.js';

/** The blues of links in word processors (common practice). */
const LINK_BLUES = new Set(['0000ff', '0563c1', '0000ee', '1155cc', '000080', '0066cc', '0070c0', '467886']);

const isUnderlined = ({ underline }: WordLook): boolean => underline !== undefined && underline !== 'none';

/** Blue and underlined, as links are. */
export const looksLikeLink = (look: WordLook): boolean =>
  isUnderlined(look) && LINK_BLUES.has(look.colour ?? '');

/** Words within the elements that say how they look; what a link's own look says is not repeated. */
export function dressed(node: ChildNode, look: WordLook, isLink: boolean): ChildNode {
  let inner = node;
  const wrap = (name: string) => (inner = element(name, {}, [inner]));
  if (look.isCode) wrap('code');
  if (look.raised) wrap(look.raised);
  if (look.italic) wrap('em');
  if (look.bold) wrap('strong');
  if (look.inSmallCapitals) inner = element('span', { class: SMALL_CAPITALS }, [inner]);
  if (look.struck) wrap('s');
  else if (isUnderlined(look) && !isLink) wrap('u');
  return inner;
}

/** How the words of a link look by hand. */
export interface LinkDress {
  /** Their style is the one for links. */
  isStyled: boolean;
  look: WordLook;
}

/**
 * The CSS of a link that was given a look by hand; `null` where it looks as links do. `isUsual` says that the other links of the
 * document have the style of links, so that a link without it was made plain.
 */
export function styleOfLink(dresses: readonly LinkDress[], isUsual: boolean): string | null {
  const [first] = dresses;
  const same = (one: LinkDress) =>
    one.look.colour === first?.look.colour &&
    one.look.underline === first?.look.underline &&
    one.isStyled === first?.isStyled;
  if (!first || !dresses.every(same)) return null;
  const { isStyled, look } = first;
  const isPlain = !isStyled && isUsual;
  if (looksLikeLink(look) || (look.colour === undefined && look.underline === undefined && !isPlain))
    return null;
  const colour = look.colour === 'auto' || (look.colour === undefined && isPlain) ? '000000' : look.colour;
  const line = look.underline ?? (isStyled ? 'single' : 'none');
  const drawn = line === 'none' ? 'none' : /dott|dash/i.test(line) ? 'underline dotted' : 'underline';
  return `${colour === undefined ? '' : `color: #${colour}; `}text-decoration: ${drawn}`;
}
