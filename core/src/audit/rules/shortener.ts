import { factsOf } from '../facts.js';
import { leadTo, type Rule } from '../finding.js';

/** Services that answer with another address and nothing else. Common practice (no source): names in wide use. */
const SHORT =
  /^(?:bit\.ly|bitly\.com|tinyurl\.com|t\.co|goo\.gl|ow\.ly|is\.gd|v\.gd|buff\.ly|cutt\.ly|tiny\.cc|t\.ly|rb\.gy|rebrand\.ly|shorturl\.at|short\.gy|lnkd\.in|adf\.ly|s\.id|dlvr\.it|amzn\.to|fb\.me|wp\.me|aka\.ms|trib\.al|bl\.ink|soo\.gd|clck\.ru|u\.to|qr\.ae|po\.st|x\.gd|shorte\.st|snip\.ly|1drv\.ms|urlz\.fr|kurzelinks\.de|ogy\.de)$/;
/** A path that is a made-up word of a few signs. */
const TOKEN = /^\/[A-Za-z0-9_-]{3,10}\/?$/;

/** An address of a shortening service: it hides where it leads, and is gone with the service. Common practice (no source). */
export const shortener: Rule = {
  id: 'shortener',
  title: 'Addresses of services that shorten addresses',
  severity: 'should-fix',
  criterion: 'Common practice',
  looksAt: ({ kind }) => kind === 'web',
  find(link, { answers }) {
    const { host: full, path } = factsOf(link);
    const host = full.replace(/^www\./, '');
    const to = answers?.get(link.href)?.movedTo ?? null;
    const isKnown = SHORT.test(host) && path.length > 1;
    // One that is not known gives itself away: a short host, a made-up word, and another site behind them.
    const isSeen = to !== null && host.length <= 12 && TOKEN.test(path) && new URL(to).hostname !== full;
    if (!isKnown && !(isSeen && !new URL(to).hostname.endsWith(host))) return null;
    return {
      message: `“${host}” shortens addresses: a reader can’t see where this leads, and it is gone when the service is.`,
      repairs: to ? [leadTo(to)] : [],
    };
  },
};
