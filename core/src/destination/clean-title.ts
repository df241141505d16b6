/** What stands between a page's title and its site's name (common practice). */
const SEPARATOR = /\s+(?:[|·•»«:/\\~>–—-]|::|\|\||>>)\s+|\s*[|·•»]\s*|:\s+/u;
const ENDS = /^[\s|·•»«:/\\~>,;–—-]+|[\s|·•»«:/\\~>,;–—-]+$/gu;

/**
 * A page's title as words for a link: white space made one, separators at its ends taken off, and the name of the site
 * left out where other words remain. A part is the site's name when `site` says so (`og:site_name`) or when its letters
 * are those of the host: "Lamp Trust" at `www.lamp-trust.example`.
 */
export function cleanTitle(title: string, href: string, site = ''): string {
  const plain = title.replace(/\s+/g, ' ').replace(ENDS, '');
  const host = new URL(href).hostname.replace(/^www\./, '');
  const names = new Set([letters(site), ...hostNames(host)].filter((name) => name !== ''));
  const parts = splitKeeping(plain);
  const isSite = (index: number) => {
    const part = letters(parts[index]?.words ?? '');
    return names.has(part) || holdsName(part, hostNames(host));
  };
  let [start, end] = [0, parts.length];
  while (end - start > 1 && isSite(end - 1)) end--;
  while (end - start > 1 && isSite(start)) start++;
  const kept = parts
    .slice(start, end)
    .map(({ words, after }, index, all) => (index === all.length - 1 ? words : words + after))
    .join('');
  return kept.replace(ENDS, '');
}

const letters = (words: string) =>
  words
    .toLocaleLowerCase()
    .replace(/^the\s+/, '')
    .replace(/[^\p{L}\p{N}]+/gu, '');

/** A name of a site with a word or two around it: "Orrin Harbour Office" at `harbour-office.example`. */
function holdsName(part: string, names: string[]): boolean {
  return names.some((name) => name.length >= 6 && part.includes(name) && part.length <= name.length + 12);
}

/** The host as a whole, without its last label, and its name alone. */
function hostNames(host: string): string[] {
  const labels = host.split('.');
  return [host, labels.slice(0, -1).join('.'), labels.at(-2) ?? host].map(letters);
}

function splitKeeping(title: string): { words: string; after: string }[] {
  const parts: { words: string; after: string }[] = [];
  let rest = title;
  for (let match = SEPARATOR.exec(rest); match; match = SEPARATOR.exec(rest)) {
    parts.push({ words: rest.slice(0, match.index), after: match[0] });
    rest = rest.slice(match.index + match[0].length);
  }
  return [...parts, { words: rest, after: '' }].filter(({ words }) => words.trim() !== '');
}
