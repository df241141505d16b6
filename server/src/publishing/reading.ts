import { createHash } from 'node:crypto';
import type { Reading } from '@vennet/core/wire';
import { unzipSync } from 'fflate';

/**
 * What runs beside the words of a made file while it is tried: it tells what is pressed, and shows what it is told to. Nothing else
 * runs there: the page stands in a sandbox of its own origin, and this alone is admitted, by its hash (CSP 3, 2.3.1).
 */
const SCRIPT = `(() => {
  const links = [...document.querySelectorAll('a[href], area[href]')];
  const tell = (what) => parent.postMessage({ vennet: 'reader', ...what }, '*');
  const named = (one) => one.getAttribute('aria-label') || one.textContent.trim() || one.getAttribute('alt') || [...one.querySelectorAll('img')].map((img) => img.alt).join(' ');
  let paged = false;
  const wide = () => document.documentElement.clientWidth;
  const leaf = () => Math.round(document.body.scrollLeft / wide());
  const leaves = () => Math.max(1, Math.ceil((document.body.scrollWidth - 1) / wide()));
  const tellLeaf = () => { if (paged) tell({ leaf: leaf() + 1, leaves: leaves() }); };
  const toLeaf = (at) => { document.body.scrollLeft = at * wide(); tellLeaf(); };
  const page = (on) => {
    paged = on;
    const style = 'html { height: 100%; overflow: hidden } body { max-width: none !important; margin: 0 !important; height: 100vh; box-sizing: border-box; padding: 1.5em !important; column-width: calc(100vw - 3em); column-gap: 3em; overflow: hidden }';
    let own = document.getElementById('vennet-paged');
    if (on && !own) {
      own = document.head.appendChild(document.createElementNS('http://www.w3.org/1999/xhtml', 'style'));
      own.id = 'vennet-paged';
      own.textContent = style;
    } else if (!on && own) own.remove();
    tellLeaf();
  };
  const media = [...document.styleSheets].flatMap((sheet) => [...sheet.cssRules]).filter((rule) => rule.media).map((rule) => ({ rule, said: rule.media.mediaText }));
  const onPaper = (on) => media.forEach(({ rule, said }) => {
    rule.media.mediaText = !on ? said : /print/.test(said) ? 'all' : /screen|dark/.test(said) ? 'not all' : said;
  });
  const toSight = (one) => {
    if (!paged) return one.scrollIntoView({ block: 'center' });
    toLeaf(Math.floor((one.getBoundingClientRect().left + document.body.scrollLeft) / wide()));
  };
  const flash = (one) => {
    toSight(one);
    const before = one.style.outline;
    one.style.outline = '3px solid #b45309';
    setTimeout(() => { one.style.outline = before; }, 1600);
  };
  const press = (event) => {
    const link = event.target.closest && event.target.closest('a[href], area[href]');
    if (!link) return;
    event.preventDefault();
    tell({ pressed: links.indexOf(link) });
  };
  addEventListener('click', press, true);
  addEventListener('auxclick', press, true);
  addEventListener('keydown', (event) => {
    const by = { PageDown: 1, PageUp: -1 }[event.key];
    const step = event.altKey && { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (step) { event.preventDefault(); tell({ step }); }
    else if (event.altKey && by) { event.preventDefault(); tell({ next: by }); }
    else if (paged && by) { event.preventDefault(); tell({ turning: by }); }
  });
  addEventListener('resize', tellLeaf);
  addEventListener('message', ({ source, data }) => {
    if (source !== parent || !data || data.vennet !== 'host') return;
    if (typeof data.spot === 'string') {
      const spot = data.spot === '' ? document.body : document.getElementById(data.spot);
      if (spot) flash(spot);
      tell({ landed: spot !== null });
    }
    if (typeof data.link === 'number' && links[data.link]) { links[data.link].focus({ preventScroll: true }); flash(links[data.link]); }
    if (typeof data.paper === 'boolean') onPaper(data.paper);
    if (typeof data.paged === 'boolean') page(data.paged);
    if (data.quiet) links.forEach((one) => one.removeAttribute('title'));
    if (typeof data.turn === 'number') {
      const to = leaf() + data.turn;
      if (to < 0 || to >= leaves()) tell({ past: data.turn });
      else toLeaf(to);
    }
    if (data.last) toLeaf(leaves() - 1);
  });
  tell({ links: links.map((one) => ({ href: one.getAttribute('href'), words: named(one), note: one.getAttribute('title') || '' })) });
})();`;

/** The policy under which a page of a made file is tried. */
export const READING_POLICY = [
  'sandbox allow-scripts',
  "default-src 'none'",
  'img-src data:',
  "style-src 'unsafe-inline'",
  'font-src data:',
  `script-src 'sha256-${createHash('sha256').update(SCRIPT).digest('base64')}'`,
  "frame-ancestors 'self'",
].join('; ');

const text = (bytes: Uint8Array | undefined): string => new TextDecoder().decode(bytes ?? new Uint8Array());

/** How many links a page has: those that the script counts. */
const linksIn = (page: string): number => page.match(/<(?:a|area)\b[^>]*\shref=/g)?.length ?? 0;

/** A web page that was made is one page. */
export const webPages = (html: Uint8Array): Reading['pages'] => [
  { path: '', title: '', links: linksIn(text(html)) },
];

/** A web page that was made, with the script. */
export const webReading = (html: Uint8Array): string =>
  text(html).replace(/<\/body>(?![^]*<\/body>)/i, () => `<script>${SCRIPT}</script></body>`);

/** A file of an archive by its path; only that one is unpacked. */
const filesIn =
  (bytes: Uint8Array) =>
  (path: string): Uint8Array | undefined =>
    unzipSync(bytes, { filter: ({ name }) => name === path })[path];

/** The pages of an e-book that was made, in the order of its spine. */
export function epubPages(bytes: Uint8Array): Reading['pages'] {
  const file = filesIn(bytes);
  const root = /full-path="([^"]+)"/.exec(text(file('META-INF/container.xml')))?.[1] ?? '';
  const base = root.replace(/[^/]*$/, '');
  const opf = text(file(root));
  const items = new Map(
    [...opf.matchAll(/<item\b[^>]*>/g)].map(([item]) => [
      /\bid="([^"]*)"/.exec(item)?.[1] ?? '',
      /\bhref="([^"]*)"/.exec(item)?.[1] ?? '',
    ]),
  );
  return [...opf.matchAll(/<itemref\b[^>]*\bidref="([^"]*)"/g)].flatMap(([, id = '']) => {
    const href = items.get(id);
    if (!href) return [];
    const path = base + href;
    return [aboutPage(path, file(path))];
  });
}

/** The pages of a site that was made: the first, and the chapters in their order. */
export function sitePages(bytes: Uint8Array): Reading['pages'] {
  const pages = unzipSync(bytes, { filter: ({ name }) => name.endsWith('.html') && !name.includes('/') });
  return Object.keys(pages)
    .sort((one, other) => Number(other === FIRST) - Number(one === FIRST) || (one < other ? -1 : 1))
    .map((path) => aboutPage(path, pages[path]));
}

function aboutPage(path: string, bytes: Uint8Array | undefined): Reading['pages'][number] {
  const page = text(bytes);
  return { path, title: unescaped(/<title>([^<]*)<\/title>/.exec(page)?.[1] ?? ''), links: linksIn(page) };
}

const FIRST = 'index.html';

const unescaped = (words: string): string =>
  words.replaceAll('&lt;', '<').replaceAll('&gt;', '>').replaceAll('&quot;', '"').replaceAll('&amp;', '&');

/**
 * A page of an archive of pages that was made, with its pictures and styles in it, and the script. `null` where there is none of this path.
 */
export function pageReading(bytes: Uint8Array, path: string): string | null {
  const file = filesIn(bytes);
  const page = file(path);
  if (!page) return null;
  // In XHTML, what is within these elements is read as other text is.
  const within = path.endsWith('.xhtml') ? inXml : (words: string) => words;
  const at = (href: string, from: string): string =>
    decodeURIComponent(new URL(href, `http://inside.invalid/${from}`).pathname.slice(1));
  const data = (href: string, from: string): string | null => {
    const found = file(at(href, from));
    const type = TYPES[/\.(\w+)$/.exec(href)?.[1]?.toLowerCase() ?? ''];
    return found && type ? `data:${type};base64,${Buffer.from(found).toString('base64')}` : null;
  };
  return text(page)
    .replace(/<link\b[^>]*rel="stylesheet"[^>]*>/g, (link) => {
      const href = /\bhref="([^"]+)"/.exec(link)?.[1] ?? '';
      const style = text(file(at(href, path))).replace(
        /url\(["']?([^"')]+)["']?\)/g,
        (_, own: string) => `url("${data(own, at(href, path)) ?? own}")`,
      );
      return `<style>${within(style)}</style>`;
    })
    .replace(/<(?:img|image|source|audio|video)\b[^>]*>/g, (tag) =>
      tag.replace(/\b(src|href)="([^"]+)"/g, (whole, name: string, href: string) => {
        const inside = data(href, path);
        return inside ? `${name}="${inside}"` : whole;
      }),
    )
    .replace(/<\/body>/, () => `<script>${within(SCRIPT)}</script></body>`);
}

const inXml = (words: string): string => words.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

const TYPES: Readonly<Record<string, string>> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  gif: 'image/gif',
  svg: 'image/svg+xml',
  woff2: 'font/woff2',
  ttf: 'font/ttf',
  otf: 'font/otf',
};
