import { factsOf } from '../facts.js';
import { REMOVE, type Rule } from '../finding.js';

/** Ends of names that exist in a house alone (RFC 6761, RFC 6762, RFC 8375; `internal` by ICANN, 2024; the rest common practice). */
const INSIDE = /(?:^|\.)(?:localhost|local|internal|home\.arpa|lan|intranet|corp|home|localdomain)\.?$/i;
/** RFC 1918, 3927, 6598, 1122; in the form in which the URL parser writes them. */
const PRIVATE_4 =
  /^(?:127\.|10\.|0\.|192\.168\.|169\.254\.|172\.(?:1[6-9]|2\d|3[01])\.|100\.(?:6[4-9]|[7-9]\d|1[01]\d|12[0-7])\.)/;
/** RFC 4193, 4291 and mapped addresses. */
const PRIVATE_6 = /^\[(?:::1?\]|f[cd]|fe[89ab]|::ffff:(?:7f|a[0-9a-f]{2}:|c0a8))/i;

/** True for a host that only the author's own machine or network knows. */
export const isOwnMachine = (host: string): boolean =>
  INSIDE.test(host) ||
  PRIVATE_6.test(host) ||
  (/^[\d.]+$/.test(host) && PRIVATE_4.test(host)) ||
  !/[.:]/.test(host);

/** An address that works for the author alone. */
export const ownMachine: Rule = {
  id: 'own-machine',
  title: 'Addresses on the author’s own machine or network',
  severity: 'must-fix',
  criterion: 'RFC 6761; RFC 1918',
  looksAt: ({ kind }) => kind === 'web',
  find(link) {
    const { host: hostname } = factsOf(link);
    if (hostname === '' || !isOwnMachine(hostname)) return null;
    return {
      message: `“${hostname}” is an address on your own machine or network. No reader gets there; lead to where it is public, or put the file on the Shelf.`,
      repairs: [REMOVE],
    };
  },
};
