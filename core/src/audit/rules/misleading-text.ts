import { decodeLoosely, hrefOf, type Destination } from '../../destination/index.js';
import type { Link } from '../../manuscript/index.js';
import type { RepairOffer, Rule } from '../finding.js';
import { isOnlyAddress, shownAddress } from '../shown-address.js';

/** The text shows one address and the link leads to another. WCAG 2.4.4, G91; ACT fd3a94. */
export const misleadingText: Rule = {
  id: 'misleading-text',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4 (G91)',
  looksAt: (link) => link.carrier === 'text' && (link.kind === 'web' || link.kind === 'mail'),
  find(link) {
    const shown = leadsElsewhere(link);
    if (!shown) return null;
    const repairs: RepairOffer[] = [
      { label: `Lead to ${display(shown)}`, repair: { type: 'destination', destination: shown } },
    ];
    if (isOnlyAddress(link.text))
      repairs.push({
        label: `Show ${display(link.destination)}`,
        repair: { type: 'text', text: display(link.destination) },
      });
    return {
      message: `The words show ${display(shown)}, but the link leads to ${display(link.destination)}. Readers take this for a trick.`,
      repairs,
    };
  },
};

/** The address that the words show, when it is not where the link leads; otherwise `null`. */
export function leadsElsewhere(link: Link): Destination | null {
  const shown = shownAddress(link.text);
  return shown && !agree(shown, link.destination) ? shown : null;
}

/** One host, and either no path shown or the path that is led to or begins with it. */
function agree(shown: Destination, real: Destination): boolean {
  if (shown.kind === 'mail' && real.kind === 'mail')
    return real.to.some((one) => one.toLowerCase() === shown.to[0]?.toLowerCase());
  if (shown.kind !== 'web' || real.kind !== 'web') return false;
  const [a, b] = [new URL(shown.href), new URL(real.href)];
  if (a.hostname.replace(/^www\./, '') !== b.hostname.replace(/^www\./, '') || a.port !== b.port)
    return false;
  const [left, right] = [pathOf(a), pathOf(b)];
  return right === left || (a.search === '' && a.hash === '' && right.startsWith(`${left}/`));
}

const pathOf = (url: URL): string => decodeLoosely(url.pathname).replace(/\/$/, '');

function display(destination: Destination): string {
  return destination.kind === 'mail' ? destination.to.join(', ') : hrefOf(destination);
}
