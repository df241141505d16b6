/**
 * Hosts whose addresses are identifiers that stay while the page behind them moves: DOI (ISO 26324), Handle (RFC 3650), PURL,
 * W3ID, ARK by N2T, URN resolvers of national libraries. Add one by adding a line.
 */
const RESOLVERS = [
  'doi.org',
  'dx.doi.org',
  'hdl.handle.net',
  'purl.org',
  'purl.archive.org',
  'w3id.org',
  'n2t.net',
  'arks.org',
  'identifiers.org',
  'nbn-resolving.org',
  'nbn-resolving.de',
  'resolver.kb.nl',
  'urn.kb.se',
  'urn.fi',
  'urn.nb.no',
  'persistent-identifier.nl',
  'd-nb.info',
  'ark.bnf.fr',
  'orcid.org',
  'ror.org',
];
const KNOWN = new Set(RESOLVERS);

/** True for an address that is meant to stay as it is: `doi.org`, `hdl.handle.net`, `…/ark:/…`, `…/urn:…`. */
export function isPersistent({ hostname, pathname }: URL): boolean {
  const host = hostname.replace(/^www\./, '');
  return (
    KNOWN.has(host) ||
    /\/(?:ark:\/?\d|urn:[a-z0-9]|doi:?\/?10\.\d)/i.test(pathname) ||
    /^(?:doi|hdl|purl|ark|urn|n2t)\./.test(host)
  );
}
