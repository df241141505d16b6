/** A link of a page of a made file, as assistive technology gives it: its words, and where it leads as the file has it. */
export interface ReadLink {
  href: string;
  words: string;
  note: string;
}

/** Where a reader is: a page of the file by its path, and a spot of it. */
export interface ReadSpot {
  path: string;
  spot: string;
}

/** Where a link leads: out of the file, to a spot in it, or to a file next to it. */
export type Leads = { out: string } | { inside: ReadSpot } | { beside: string };

/** @param path of the page on which it stands; @param paths those of the file */
export function leadsFrom(href: string, path: string, paths: readonly string[]): Leads {
  if (/^[a-z][a-z0-9+.-]*:/i.test(href)) return { out: href };
  const url = new URL(href, `http://inside.invalid/${path}`);
  const target = decodeURIComponent(url.pathname.slice(1));
  const spot = decodeURIComponent(url.hash.slice(1));
  return paths.includes(target) ? { inside: { path: target, spot } } : { beside: target };
}

/** Which links of a file were tried, kept in this browser by the file's id. */
export const tried = {
  of: (job: string): Set<string> => {
    try {
      return new Set(JSON.parse(localStorage.getItem(`tried-${job}`) ?? '[]') as string[]);
    } catch {
      return new Set();
    }
  },
  keep: (job: string, keys: ReadonlySet<string>): void =>
    localStorage.setItem(`tried-${job}`, JSON.stringify([...keys])),
};
