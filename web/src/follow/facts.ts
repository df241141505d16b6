import { useQuery } from '@tanstack/react-query';
import { queries } from '../api/queries.js';

/** The port of the stand-in world; `null` where there is none, and until the server has said so. */
export const useWorldPort = (): number | null => useQuery(queries.facts()).data?.worldPort ?? null;

const RESERVED = /(?:^|\.)(?:example|test|invalid)$/;

/** Where a browser finds an address: names that can't exist are visited in the stand-in world when that is on. */
export function visitAddress(href: string, worldPort: number | null): string {
  const url = new URL(href);
  if (url.host === '' || worldPort === null || !RESERVED.test(url.hostname)) return href;
  return `http://${url.hostname}.localhost:${worldPort}${url.pathname}${url.search}${url.hash}`;
}
