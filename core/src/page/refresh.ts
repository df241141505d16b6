/** What a `Refresh` header or `<meta http-equiv=refresh>` asks for: after how many seconds, and where to; `''` is the page itself. */
export interface Refresh {
  seconds: number;
  href: string;
}

/** Reads the value of a refresh (HTML Living Standard, 4.2.5.3, “shared declarative refresh steps”). `null` where it asks for nothing. */
export function readRefresh(value: string): Refresh | null {
  const match =
    /^\s*(\d*)(?:\.[\d.]*)?\s*(?:[;,\s]\s*(?:url\s*=\s*)?(?:"([^"]*).*|'([^']*).*|([^\s"'].*))?)?$/is.exec(
      value.slice(0, 4096),
    );
  if (!match || (match[1] === '' && !/^\s*\./.test(value))) return null;
  const href = (match[2] ?? match[3] ?? match[4] ?? '').trim();
  return { seconds: Number(match[1] || 0), href };
}
