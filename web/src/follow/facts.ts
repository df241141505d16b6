import { create } from 'zustand';
import { api } from '../api/client.js';

interface FactsStore {
  worldPort: number | null;
  load(): Promise<void>;
}

/** What the server said of itself when the page was opened. */
export const useFacts = create<FactsStore>((set) => ({
  worldPort: null,
  load: async () => set(await api.facts()),
}));

const RESERVED = /(?:^|\.)(?:example|test|invalid)$/;

/** Where a browser finds an address: names that can't exist are visited in the stand-in world when that is on. */
export function visitAddress(href: string, worldPort: number | null): string {
  const url = new URL(href);
  if (worldPort === null || !RESERVED.test(url.hostname)) return href;
  return `http://${url.hostname}.localhost:${worldPort}${url.pathname}${url.search}${url.hash}`;
}
