import { addressesIn, insteadOf, parseWebAddress, recognise } from '../../destination/index.js';
import { isIsbn, isbnIn } from '../../manuscript/index.js';
import type { Found } from './ought.js';

/** Names of sites without `https://`; what is typed so is recognised by the field, too. */
const BARE =
  /(?<![\p{L}\p{N}@./_-])(?:www\.)?(?:[a-z0-9-]{2,63}\.){1,4}(?:example|com|org|net|eu|info|io|de|fr|uk|nl|es|it|pt|ch|at)(?:\/[^\s<>"“”]*[\p{L}\p{N}/])?(?![\p{L}\p{N}-])/giu;
/** A DOI (ISO 26324): its prefix, and any signs to the next space. */
const DOI = /(?<![\p{L}\p{N}/.])(?:doi:\s*)?(10\.\d{4,9}\/[^\s<>"“”]*[\p{L}\p{N})])/giu;
const ISBN =
  /(?<![\p{L}\p{N}])ISBN(?:-1[03])?:?\s*(?:97[89][\s\p{Pd}]?)?(?:\d[\s\p{Pd}]?){9}[\dX](?!\p{N})/giu;

/** An address that is printed in a line: of the web, of email, of a DOI, or the number of a book. */
export type PrintedAddress = Pick<Found, 'kind' | 'destination' | 'sureness' | 'why'> & {
  start: number;
  end: number;
};

/** The addresses that are printed in a line and need no more to be understood. */
export function printedAddresses(line: string): PrintedAddress[] {
  const found: PrintedAddress[] = addressesIn(line).map(({ start, end, destination }) => ({
    kind: 'address',
    start,
    end,
    destination,
    sureness: 'sure',
    why: 'An address that is printed here and leads nowhere: some reading programs guess at it, others do nothing.',
  }));
  for (const { 0: said, 1: doi = '', index: start } of line.matchAll(DOI)) {
    const url = parseWebAddress(`https://doi.org/${doi}`);
    if (url)
      found.push({
        kind: 'address',
        start,
        end: start + said.length,
        destination: { kind: 'web', href: url.href },
        sureness: 'sure',
        why: 'A DOI, which leads nowhere by itself; doi.org knows where (ISO 26324).',
      });
  }
  for (const { 0: said, index: start } of line.matchAll(ISBN)) {
    const digits = isbnIn(said) ?? '';
    const href = isIsbn(digits) ? insteadOf(`urn:isbn:${digits}`) : null;
    if (href)
      found.push({
        kind: 'book',
        start,
        end: start + said.length,
        destination: { kind: 'web', href },
        sureness: 'look',
        why: 'The number of a book, its check digit right. This leads to a service that knows such numbers; a page of its publisher may be better.',
      });
  }
  for (const { 0: said, index: start } of line.matchAll(BARE)) {
    const read = recognise(said);
    if (read.ok && read.destination.kind === 'web')
      found.push({
        kind: 'address',
        start,
        end: start + said.length,
        destination: read.destination,
        sureness: 'likely',
        why: 'It looks like an address without its beginning.',
      });
  }
  return found;
}
