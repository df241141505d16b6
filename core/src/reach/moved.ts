import type { Hop, WebAnswer } from './answer.js';
import {
  isConsent,
  isErrorPage,
  isForOneVisit,
  isForPay,
  isFrontPage,
  isNoNews,
  isSecured,
  isSignIn,
} from './addresses.js';
import { isOnePage } from './likeness.js';
import { isPersistent } from './persistent.js';

/** RFC 9110 section 15.4: 301 and 308 are permanent, the rest is for this time only. */
const isPermanent = ({ status, by }: Hop) => by === undefined && (status === 301 || status === 308);

/** The address that may stand in a book instead of the one that was asked, where the way to it is permanent in every step. */
export function movedTo(asked: URL, { hops }: Pick<WebAnswer, 'hops'>): string | null {
  const first = hops.findIndex((hop) => !isPermanent(hop));
  const permanent = hops.slice(0, first < 0 ? hops.length : first);
  const last = permanent.at(-1);
  if (!last) return null;
  const to = new URL(last.location);
  return mayStand(asked, to) ? to.href : null;
}

/** An address is never offered that is no place of its own, or that says less than the one in the book. */
function mayStand(asked: URL, to: URL): boolean {
  if (isPersistent(asked) || isNoNews(asked, to)) return false;
  if (isSignIn(to) || isConsent(to) || isForPay(to) || isErrorPage(to) || isForOneVisit(to)) return false;
  if (asked.hash !== '' && to.hash !== asked.hash) return false;
  if (isFrontPage(to))
    return (
      (isFrontPage(asked) &&
        (to.pathname === asked.pathname || to.pathname === '/') &&
        to.host !== asked.host) ||
      isSecured(asked, to)
    );
  return true;
}

/** The same page by HTTPS, for a link by HTTP that answers there as well. */
export function securedTo(asked: URL, { secure, page, hops }: WebAnswer): string | null {
  if (!secure || !page || asked.protocol !== 'http:' || hops.length > 0 || secure.status >= 300) return null;
  if (!isOnePage(page, secure)) return null;
  const to = new URL(secure.href);
  to.hash = asked.hash;
  return to.protocol === 'https:' && isSecured(asked, to) ? to.href : null;
}
