/** One redirect on the way: the address that was asked, its status, and where it sent us (resolved). */
export interface Hop {
  href: string;
  status: number;
  location: string;
}

/** Why no final answer came. */
export const FAILURES = [
  'unknown-name',
  'refused',
  'timeout',
  'reset',
  'certificate',
  'protocol',
  'private-address',
  'redirect-loop',
  'too-many-redirects',
  'bad-redirect',
] as const;
export type Failure = (typeof FAILURES)[number];

/** What the network answered to one web address. */
export type Answer = { hops: Hop[] } & (
  { outcome: 'status'; status: number } | { outcome: 'failure'; failure: Failure }
);
