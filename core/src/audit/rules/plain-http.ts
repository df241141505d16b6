import { leadTo, type RepairOffer, type Rule } from '../finding.js';
import { hostOf } from '../web-host.js';
import { isOwnMachine } from './own-machine.js';

/** A page asked for without encryption: anybody on the way can read and change it. RFC 9110, 17.1; common practice. */
export const plainHttp: Rule = {
  id: 'plain-http',
  title: 'Addresses that begin with http: instead of https:',
  severity: 'should-fix',
  criterion: 'RFC 9110, 17',
  looksAt: ({ href }) => href.startsWith('http:'),
  find({ destination }, { answers }) {
    if (destination.kind !== 'web') return null;
    const { hostname } = new URL(destination.href);
    if (isOwnMachine(hostname) || hostOf(hostname).isIp) return null;
    const secure = answers?.get(destination.href)?.securedTo;
    const https = secure ?? destination.href.replace(/^http:/, 'https:');
    const repairs: RepairOffer[] = [leadTo(https)];
    return {
      message: secure
        ? 'This address is not encrypted, and the same page answers by HTTPS.'
        : 'This address is not encrypted: whoever stands on the way can read and change the page. Most sites answer by HTTPS; check after the change.',
      repairs,
    };
  },
};
