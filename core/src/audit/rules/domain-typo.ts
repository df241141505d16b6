import { nearDomain, nearMailDomain, type Destination } from '../../destination/index.js';
import type { AuditContext, RepairOffer, Rule } from '../finding.js';
import { factsOf } from '../facts.js';
import { hostOf } from '../web-host.js';

/**
 * A registrable name that differs in one letter from one that the book uses more often, or of an email from a public mail domain: wrong, missing, doubled or swapped. Only
 * where the last check did not find it sound. Common practice (no source).
 */
export const domainTypo: Rule = {
  id: 'domain-typo',
  title: 'Domains that differ in one letter from another one of the book',
  severity: 'should-fix',
  criterion: 'Common practice',
  looksAt: (link) => link.kind === 'web' || link.kind === 'mail',
  find(link, { domains, answers }: AuditContext) {
    const verdict = answers?.get(link.href)?.verdict ?? 'unchecked';
    if (verdict === 'sound' || verdict === 'moved' || verdict === 'guarded') return null;
    const { destination } = link;
    for (const domain of factsOf(link).domains) {
      const registrable = (name: string) => hostOf(name).registrable;
      const own = nearDomain(domain, domains, registrable);
      const near = own ?? (destination.kind === 'mail' ? nearMailDomain(domain, registrable) : null);
      if (!near) continue;
      const repairs: RepairOffer[] = [
        {
          label: `Lead to ${near}`,
          repair: { type: 'destination', destination: withDomain(destination, domain, near) },
        },
      ];
      return {
        message: `“${domain}” looks much like “${near}”, which ${own ? 'this book uses more often' : 'many addresses end with'}. Is it what you meant?`,
        repairs,
      };
    }
    return null;
  },
};

function withDomain(destination: Destination, domain: string, other: string): Destination {
  if (destination.kind === 'web') {
    const url = new URL(destination.href);
    url.hostname = url.hostname.replace(domain, other);
    return { kind: 'web', href: url.href };
  }
  if (destination.kind !== 'mail') return destination;
  const corrected = (addresses: string[]) =>
    addresses.map((address) =>
      address.toLowerCase().endsWith(`@${domain}`) ? address.slice(0, -domain.length) + other : address,
    );
  const { to, cc, bcc } = destination;
  return { ...destination, to: corrected(to), cc: corrected(cc), bcc: corrected(bcc) };
}
