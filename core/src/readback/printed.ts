import type { PrintedAddress } from '../publish/index.js';
import type { PrintedPart } from './proof.js';

/**
 * Matches every address that is printed with the words of the pages: its number stands beside its link, and before the address at the foot
 * of the same page or in the list at the end.
 *
 * @param pages the words of each page, as a reader gets them
 */
export function provePrinted(printed: readonly PrintedAddress[], pages: readonly string[]): PrintedPart {
  const read = pages.map(joined);
  const lost = printed.filter(({ number, address }) => {
    const said = joined(number === 0 ? `(${address})` : `[${number}]${address}`);
    return !read.some((words) => words.includes(said));
  });
  return {
    expected: printed.length,
    found: printed.length - lost.length,
    lost: lost.map(({ link: id, address, chapter, number }) => ({
      id,
      href: address,
      text: number === 0 ? '' : `[${number}]`,
      chapter,
    })),
  };
}

/** Long addresses run over several lines: what stands between them is none of theirs. */
const joined = (words: string): string => words.replace(/[\s\u00ad\u200b]+/gu, '');
