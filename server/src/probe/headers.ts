import type { HeaderSeen } from '@vennet/core/reach';

/** The headers of an answer: names in small letters, values with one sign a byte, in the order in which they came. */
export class Headers {
  readonly #values = new Map<string, string[]>();

  constructor(pairs: Iterable<readonly [string, string]>) {
    for (const [name, value] of pairs) {
      const key = name.trim().toLowerCase();
      const known = this.#values.get(key);
      if (known) known.push(value.trim());
      else this.#values.set(key, [value.trim()]);
    }
  }

  all(name: string): readonly string[] {
    return this.#values.get(name) ?? [];
  }

  get(name: string): string {
    return this.all(name)[0] ?? '';
  }

  /** Those of some names, for the author to see. */
  some(names: readonly string[]): HeaderSeen[] {
    return names.flatMap((name) =>
      this.#values.has(name) ? [{ name, value: this.all(name).join(', ').slice(0, LONGEST) }] : [],
    );
  }
}

const LONGEST = 500;

/** Headers that matter to a verdict, and by which an author can follow what happened. */
export const SHOWN = [
  'location',
  'content-type',
  'content-length',
  'content-encoding',
  'retry-after',
  'refresh',
  'www-authenticate',
  'server',
  'cf-mitigated',
  'x-amzn-waf-action',
  'memento-datetime',
];

/** What a header says of a door against programs; `''` for none. Common practice of those who build such doors (no source). */
export function doorIn(headers: Headers): string {
  for (const name of ['cf-mitigated', 'x-amzn-waf-action', 'x-datadome'])
    if (/challenge|captcha|protected|block/i.test(headers.get(name))) return `${name}: ${headers.get(name)}`;
  return '';
}

/** The time that a host asks for before it is asked again, in ms from now (RFC 9110, 10.2.3: seconds or a date); `null` for none. */
export function retryAfter(value: string, now: number): number | null {
  if (/^\d{1,9}$/.test(value)) return Number(value) * 1000;
  if (!/[a-z]{3}/i.test(value)) return null;
  const date = Date.parse(value);
  return Number.isNaN(date) ? null : Math.max(0, date - now);
}
