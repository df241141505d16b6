import { html, type Page, type Site } from '../site.js';

/** One behaviour of the network, and what a check has to say of it. */
export interface Behaviour {
  /** Its name, which is the first part of its host too. */
  id: string;
  about: string;
  /** The destination that is checked. */
  href: string;
  verdict: 'sound' | 'moved' | 'guarded' | 'doubtful' | 'unreachable' | 'broken';
  /** For `moved`: the address that is offered. */
  movedTo?: string;
  /** Some words of the reason. */
  says?: RegExp;
  sites: readonly Site[];
}

export interface More extends Partial<Omit<Site, 'name' | 'pages'>> {
  href?: string;
  movedTo?: string;
  says?: RegExp;
  /** Further sites, by name. */
  others?: Record<string, Record<string, Page>>;
}

/** A behaviour of the page `/page` of a site of its own. */
export function behaviour(
  id: string,
  verdict: Behaviour['verdict'],
  about: string,
  page: Page | Record<string, Page>,
  { href = `https://${id}.example/page`, movedTo, says, others = {}, ...site }: More = {},
): Behaviour {
  const pages = 'answer' in page ? { '/page': page as Page } : page;
  return {
    id,
    about,
    verdict,
    href,
    ...(movedTo ? { movedTo } : {}),
    ...(says ? { says } : {}),
    sites: [
      { name: `${id}.example`, about, pages, ...site },
      ...Object.entries(others).map(([name, theirs]): Site => ({ name, about, pages: theirs })),
    ],
  };
}

/** Words of an article that is about nothing in particular, so many that it is one. */
export const TEXT = [
  'The lamp on the outer mole was lit for the first time in the spring of a dry year, and the keeper who lit it wrote down what he saw.',
  'Three boats came in before midnight with herring, and the last of them had lost its mast somewhere beyond the second buoy.',
  'He counted the turns of the lens by the clock in the kitchen, since the one in the lantern room had stopped when the painters were there.',
  'His wife kept the accounts of oil and wick in a book that her brother had bound in sailcloth, and that book is still in the house.',
  'Visitors are asked to leave their boots at the door, to keep to the left of the stairs, and not to touch the brass until it has cooled.',
  'From the gallery the whole sound can be seen on a clear day, with the ferry at its quay and the sheep on the northern slope.',
];

/** A page of HTML with its title, its heading, its paragraphs, and what else stands in its head. */
export function document(
  title: string,
  body: string,
  { head = '', lang = 'en' }: { head?: string; lang?: string } = {},
): string {
  return `<!doctype html><html lang="${lang}"><head><meta charset="utf-8"><title>${title}</title>${head}</head><body>${body}</body></html>`;
}

export const paragraphs = (...texts: readonly string[]): string =>
  texts.map((text) => `<p>${text}</p>`).join('\n');

/** An ordinary article. */
export const article = (title: string, more = '', head = ''): Page =>
  html(document(title, `<main><h1>${title}</h1>${paragraphs(...TEXT)}${more}</main>`, { head }));

/** A short page of its site. */
export const note = (title: string, text: string, lang = 'en'): Page =>
  html(document(title, `<main><h1>${title}</h1><p>${text}</p></main>`, { lang }));
