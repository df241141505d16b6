import { holdsMiddle, overlapOf, type Box } from '../../manuscript/index.js';
import { joined, wordsOfLine, type PageText, type Piece } from '../page-text.js';
import { printedAddresses } from './addresses.js';
import type { Found, Reading } from './ought.js';

/** So few signs are no words of a picture: they were laid there to be pressed. */
const FEW_SIGNS = 3;
/** A sign that covers so much of a picture is stretched over it. */
const STRETCHED = 0.6;
const FEW_WORDS = 5;

/**
 * Unseen words that were laid over a picture in place of a link: transparent, behind it, or stretched over it. They only look like a link
 * to programs that guess; a true area of the picture's size takes their place. Words that were read from a scan stay as they are.
 */
export function overlaid({ pages, texts }: Reading): Found[] {
  return pages.flatMap(({ number }, index) => {
    const text = texts[index];
    return (text?.pictures ?? []).flatMap((picture): Found[] => {
      const lines = text ? unseenIn(text, picture) : [];
      const words = joined(lines.map((line) => wordsOfLine(line).trim())).trim();
      if (words === '') return [];
      const [address] = printedAddresses(words);
      const signs = words.replace(/\s+/g, '').length;
      const isStretched = lines
        .flat()
        .some((piece) => overlapOf(piece, picture) > STRETCHED && signs <= FEW_SIGNS * 2);
      const isShort = signs <= FEW_SIGNS || words.split(/\s+/).length <= FEW_WORDS;
      if (!address && !isStretched && !isShort) return [];
      return [
        {
          kind: 'overlaid',
          page: number,
          at: picture,
          words,
          destination: address?.destination ?? null,
          sureness: address ? 'likely' : 'look',
          why: address
            ? 'An address is laid over a picture, unseen. It is no link: some programs guess at it, and screen readers read it out.'
            : 'Words are laid over a picture, unseen, and lead nowhere; screen readers read them out.',
        },
      ];
    });
  });
}

/** The unseen words of a page that lie in a box. */
const unseenIn = ({ lines }: PageText, box: Box): Piece[][] =>
  lines.flatMap((line) => {
    const here = line.filter(
      (piece) => piece.unseen && (holdsMiddle(box, piece) || overlapOf(piece, box) > STRETCHED),
    );
    return here.length > 0 ? [here] : [];
  });
