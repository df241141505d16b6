import { decodeLoosely, hrefOf, parseDeviceAddress, type Destination } from '../../destination/index.js';
import type { Link } from '../../manuscript/index.js';
import { factsOf } from '../facts.js';
import { putWords, type RepairOffer, type Rule } from '../finding.js';
import { isOnlyAddress, shownAddresses, type Shown } from '../shown-address.js';
import { comparable } from '../web-host.js';

/** The text shows one address and the link leads to another. WCAG 2.4.4 (G91). */
export const misleadingText: Rule = {
  id: 'misleading-text',
  title: 'Words that show another address than the one they lead to',
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
      repairs.push(putWords(display(link.destination), `Show ${display(link.destination)}`));
    return {
      judged: 'alone',
      message: `The words show ${display(shown)}, but the link leads to ${display(link.destination)}. Readers take this for a trick.`,
      repairs,
    };
  },
};

/** The address that the words show, when it is not where the link leads; otherwise `null`. */
export function leadsElsewhere(link: Link): Destination | null {
  const all = shownAddresses(factsOf(link).words);
  if (all.length === 0 || all.some((shown) => agree(shown, link.destination))) return null;
  return all[0]!.destination;
}

/** One host, and either no path shown or the path that is led to or begins with it. */
function agree({ destination: shown, isCut }: Shown, real: Destination): boolean {
  if (shown.kind === 'mail' && real.kind === 'mail')
    return real.to.some((one) => one.toLowerCase() === shown.to[0]?.toLowerCase());
  if (shown.kind !== 'web' || real.kind !== 'web') return false;
  const device = parseDeviceAddress(real.href);
  if (device) return parseDeviceAddress(shown.href)?.href === device.href;
  const [a, b] = [new URL(shown.href), new URL(real.href)];
  const [host, other] = [comparable(a.hostname), comparable(b.hostname)];
  const [left, right] = [pathOf(a), pathOf(b)];
  const isBare = left === '' && a.search === '' && a.hash === '';
  // A name without a path stands for all that belongs to it.
  if (host !== other && !(isBare && other.endsWith(`.${host}`))) return false;
  if (a.port !== '' && a.port !== b.port) return false;
  if (isCut) return right.startsWith(left);
  return right === left || (a.search === '' && a.hash === '' && right.startsWith(`${left}/`));
}

const pathOf = (url: URL): string => decodeLoosely(url.pathname).replace(/\/$/, '').toLowerCase();

function display(destination: Destination): string {
  return destination.kind === 'mail' ? destination.to.join(', ') : hrefOf(destination);
}
