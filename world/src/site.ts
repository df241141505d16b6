/** What a page of the stand-in world answers. */
export type PageAnswer =
  | { kind: 'page'; title: string; ids: string[]; words: string[] }
  | { kind: 'redirect'; status: 301 | 302 | 303 | 307 | 308; location: string }
  | { kind: 'status'; status: number; title: string; retryAfter?: string }
  /** Says nothing and keeps the line open. */
  | { kind: 'silent' }
  /** Breaks the line off. */
  | { kind: 'breaks' };

/** A page, and how it is reached. */
export interface Page {
  answer: PageAnswer;
  /** Time before the answer, in ms. */
  delay?: number;
  /** What HEAD gets, where it gets something else than GET. */
  headStatus?: number;
}

/** A made-up web site: pages by path and query. A path that is not there is answered with 404. */
export interface Site {
  name: string;
  about: string;
  pages: Record<string, Page>;
  /** Connections to the site are refused. */
  refuses?: true;
}

/** Answers for any path of any host that no site has: for tests and benchmarks. */
export type Fallback = (hostname: string, path: string) => Page | null;

export const page = (title: string, ids: string[] = [], ...words: string[]): Page => ({
  answer: { kind: 'page', title, ids, words },
});
export const redirect = (status: 301 | 302 | 303 | 307 | 308, location: string): Page => ({
  answer: { kind: 'redirect', status, location },
});
export const status = (code: number, title: string, retryAfter?: string): Page => ({
  answer: { kind: 'status', status: code, title, ...(retryAfter ? { retryAfter } : {}) },
});
