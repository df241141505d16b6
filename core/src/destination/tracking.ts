/**
 * Query parameters that tell the site where a visitor came from and change nothing about the page.
 * Common practice (no source): names in wide use; an address is never changed without the author's word.
 */
const TRACKING =
  /^(?:utm_[a-z_]+|gclid|dclid|gbraid|wbraid|fbclid|msclkid|yclid|mc_[ce]id|igshid|_hsenc|_hsmi|mkt_tok)$/i;

/** Names of the tracking parameters of a web address, in their order, each once. */
export function trackingParameters(href: string): string[] {
  return [...new Set(new URL(href).searchParams.keys())].filter((name) => TRACKING.test(name));
}

/** The address without them. Pairs that stay are left exactly as they were written. */
export function withoutTracking(href: string): string {
  const url = new URL(href);
  const kept = url.search
    .slice(1)
    .split('&')
    .filter((pair) => ![...new URLSearchParams(pair).keys()].some((name) => TRACKING.test(name)));
  url.search = kept.join('&');
  return url.href;
}
