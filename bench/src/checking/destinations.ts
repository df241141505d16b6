/** The destinations of the measurement: how long each takes to answer, and how. Computed, so that both processes know them. */
export const DESTINATIONS = 10_000;
export const HOSTS = 500;
const LATENCIES = [20, 40, 60, 100, 160]; // ms

export interface Measured {
  href: string;
  /** Until it answers, in ms. */
  latency: number;
  /** How often it is asked. */
  asked: number;
  fails: 'not-found' | 'fault' | 'breaks' | null;
}

export function destination(number: number): Measured {
  const fails =
    number % 20 === 0 ? (['not-found', 'fault', 'not-found', 'breaks'] as const)[(number / 20) % 4]! : null;
  return {
    href: `http://h${number % HOSTS}.example/p${number}`,
    // Each host has pages of every latency.
    latency: LATENCIES[(number + Math.floor(number / HOSTS)) % LATENCIES.length]!,
    asked: fails === 'fault' || fails === 'breaks' ? 3 : 1,
    fails,
  };
}

/** Behind each hundredth destination stands a large page, where that is measured. */
export const isLarge = (number: number): boolean => number % 100 === 37;
