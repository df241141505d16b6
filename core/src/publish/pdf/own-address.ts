/**
 * Addresses of the typesetter's own. It can write an address for a link and nothing else; what a link says beside that, and the
 * places of the file that it leads to, are written into the file once its pages are set, by these addresses.
 */
const LINK = 'link:';
const PLACE = 'place:';
/** Between a place and the words of the link to it; the template writes it too. */
const DIVIDER = '\u001f';
/** The typesetter takes no address of more than 8,000 bytes. */
const LONGEST = 1500;

/** What an address of the typesetter's own stands for: a link of the book, by its id, or one that the book computes. */
export type OwnAddress = { link: string } | { place: string; words: string };

export const addressOfLink = (id: string): string => LINK + id;

/** @param words what is said of the link */
export const addressOfPlace = (place: string, words: string): string =>
  PLACE + place + DIVIDER + (words.length > LONGEST ? Array.from(words).slice(0, LONGEST).join('') : words);

/** `null` for an address that readers open. */
export function ownAddress(address: string): OwnAddress | null {
  if (address.startsWith(LINK)) return { link: address.slice(LINK.length) };
  if (!address.startsWith(PLACE)) return null;
  const [place = '', words = ''] = address.slice(PLACE.length).split(DIVIDER);
  return { place, words };
}
