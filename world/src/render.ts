import type { PageAnswer, Site } from './site.js';

const NAMES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escape = (words: string) => words.replace(/[&<>"]/g, (sign) => NAMES[sign] ?? sign);

interface Where {
  site: Site | undefined;
  hostname: string;
  path: string;
}

/** A page with its title and a heading for each id. */
export function renderPage(
  { title, ids, words }: Extract<PageAnswer, { kind: 'page' }>,
  where: Where,
): string {
  const sections = ids.map((id) => `<h2 id="${escape(id)}">${escape(id.replace(/-/g, ' '))}</h2>`);
  const body = [`<h1>${escape(title)}</h1>`, ...words.map((one) => `<p>${escape(one)}</p>`), ...sections];
  return frame(title, body.join('\n'), where);
}

export function renderStatus(status: number, title: string, where: Where): string {
  return frame(`${status} ${title}`, `<h1>${escape(title)}</h1>\n<p>Status ${status}</p>`, where);
}

function frame(title: string, body: string, { site, hostname, path }: Where): string {
  const name = site?.about ?? hostname;
  return `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>${escape(title)} | ${escape(name)}</title>
<style>body{font:18px/1.6 Georgia,serif;max-width:38rem;margin:0 auto;padding:2rem 1.5rem;color:#1b2b2e;background:#fbf8f1}
header{font:14px/1.5 sans-serif;border-bottom:1px solid #9fb0ae;padding-bottom:.6rem;margin-bottom:2rem;color:#46585a}</style></head>
<body><header>This page is made up. It stands in for ${escape(`https://${hostname}${path}`)} and is answered on this computer.</header>
<main>
${body}
</main></body></html>
`;
}
