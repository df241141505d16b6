import { does, html, type Page, type Site } from './site.js';

/** Days on which the stand-in archive looked at the web. */
const LOOKED = ['2024-05-01T08:00:00Z', '2025-10-12T08:00:00Z', '2026-08-03T08:00:00Z'];

const TIME_GATE = /^\/timegate\/(https?:\/\/.+)$/;
const MEMENTO = /^\/copy\/(\d{4})(\d{2})(\d{2})\/(https?:\/\/.+)$/;

/**
 * An archive of web pages that speaks RFC 7089: its TimeGate sends on to the copy that is nearest to `Accept-Datetime`. It has
 * copies of what is under the addresses that are given to it.
 */
export const archiveSite = (name: string, keeps: readonly string[]): Site => ({
  name,
  about: 'Memory of the Sound',
  pages: {
    '/': html(
      '<!doctype html><title>Memory of the Sound</title><h1>Memory of the Sound</h1><p>Copies of pages that were.</p>',
    ),
  },
  missing: (path) => timeGate(path, keeps) ?? memento(path),
});

function timeGate(path: string, keeps: readonly string[]): Page | null {
  const original = TIME_GATE.exec(path)?.[1];
  if (!original || !keeps.some((address) => original.startsWith(address))) return null;
  return does((request, response) => {
    const asked = Date.parse(String(request.headers['accept-datetime'] ?? '')) || Date.now();
    const distance = (day: string) => Math.abs(Date.parse(day) - asked);
    const [nearest = ''] = [...LOOKED].sort((one, other) => distance(one) - distance(other));
    response.writeHead(302, {
      location: `/copy/${nearest.slice(0, 10).replaceAll('-', '')}/${original}`,
      vary: 'accept-datetime',
      link: `<${original}>; rel="original"`,
    });
    response.end();
  });
}

function memento(path: string): Page | null {
  const [, year, month, day, original = ''] = MEMENTO.exec(path) ?? [];
  if (!year) return null;
  const made = new Date(`${year}-${month}-${day}T08:00:00Z`);
  const safe = original.replace(/[&<>"]/g, '');
  return html(
    `<!doctype html><html lang="en"><meta charset="utf-8"><title>Copy of ${safe}</title><h1>As it was on ${year}-${month}-${day}</h1><p>This copy of ${safe} is made up.</p></html>`,
    200,
    { 'memento-datetime': made.toUTCString(), link: `<${original}>; rel="original"` },
  );
}
