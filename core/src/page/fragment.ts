/** What the fragment of an address asks for: an element of the page, and words in its text. */
export interface FragmentAsked {
  /** Without what follows `:~:`; empty for none. */
  id: string;
  /** The texts of text fragments, each of which is to be searched. */
  texts: TextAsked[];
}

/** One text fragment: what stands at its start and, for a longer stretch, at its end. */
export interface TextAsked {
  start: string;
  end: string;
}

/**
 * Reads a fragment (without `#`). What follows `:~:` is for text fragments: `text=[prefix-,]start[,end][,-suffix]`, percent-encoded
 * (WICG URL Fragment Text Directives, 3.2).
 */
export function readFragment(fragment: string): FragmentAsked {
  const at = fragment.indexOf(':~:');
  if (at < 0) return { id: fragment, texts: [] };
  const texts = fragment
    .slice(at + 3)
    .split('&')
    .filter((part) => part.startsWith('text='))
    .map((part) => {
      const parts = part.slice('text='.length).split(',');
      if (parts.length > 1 && parts[0]?.endsWith('-')) parts.shift();
      if (parts.length > 1 && parts.at(-1)?.startsWith('-')) parts.pop();
      const [start = '', end = ''] = parts.map((one) => foldText(decoded(one)));
      return { start, end };
    })
    .filter(({ start }) => start !== '');
  return { id: fragment.slice(0, at), texts };
}

/** The ids that an element may bear to be the indicated part of a page (HTML Living Standard, 7.4.6.4), the exact one first. */
export const idsFor = (id: string): string[] => [...new Set([id, decoded(id)])];

/** True for what leads to the top of every page: no fragment, and `top` in whatever letters. */
export const isTop = (id: string): boolean => id === '' || decoded(id).toLowerCase() === 'top';

/** Percent-decoded as HTML does it: what is no octet stays as it is written, what is no UTF-8 becomes U+FFFD. */
export function decoded(text: string): string {
  if (!text.includes('%')) return text;
  const bytes: number[] = [];
  const source = new TextEncoder().encode(text);
  for (let at = 0; at < source.length; at++) {
    const octet =
      source[at] === 0x25
        ? /^[0-9a-f]{2}$/i.exec(String.fromCharCode(...source.subarray(at + 1, at + 3)))
        : null;
    if (octet) at += 2;
    bytes.push(octet ? parseInt(octet[0], 16) : source[at]!);
  }
  return new TextDecoder().decode(Uint8Array.from(bytes));
}

/** Text as it is compared: letters small, without marks, white space made one. */
export const foldText = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[‘’]/g, "'")
    .replace(/[“”]/g, '"')
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .trim();

/** Whether a folded text holds what a text fragment asks for, its end after its start. */
export function holdsText(folded: string, { start, end }: TextAsked): boolean {
  const at = folded.indexOf(start);
  return at >= 0 && (end === '' || folded.indexOf(end, at + start.length) >= 0);
}
