const KEPT = 'vennet.known-sites';

/** Sites that the author need not be asked about before leaving for them, kept in this browser. */
function knownSites(): string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '[]');
    return Array.isArray(kept) ? kept.filter((site): site is string => typeof site === 'string') : [];
  } catch {
    return [];
  }
}

export const mayVisit = (href: string): boolean =>
  new URL(href).host !== '' && knownSites().includes(new URL(href).origin);

export function rememberSite(href: string): void {
  localStorage.setItem(KEPT, JSON.stringify([...new Set([...knownSites(), new URL(href).origin])]));
}
