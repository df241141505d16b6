import { urlFrom } from '@vennet/core/destination';

/**
 * The address that the values of `Location` lead to, as browsers read them: bytes beyond ASCII are percent-encoded as they
 * are (so UTF-8 and Latin-1 both arrive), several values have to be one (RFC 9110, 10.2.2 allows one), a fragment is carried on
 * where the new address has none. `null` where there is no value, `undefined` where it can't be followed.
 *
 * @param values each with one sign a byte
 */
export function locationOf(values: readonly string[], from: string): string | null | undefined {
  const given = [...new Set(values.map((value) => value.trim()).filter(Boolean))];
  if (given.length === 0) return null;
  if (given.length > 1) return undefined;
  const target = urlFrom(escaped(given[0]!), from);
  if (!target || (target.protocol !== 'http:' && target.protocol !== 'https:')) return undefined;
  if (target.hash === '') target.hash = new URL(from).hash;
  return target.href;
}

const escaped = (bytes: string): string =>
  bytes.replace(/[\u0080-\u00ff]/g, (byte) => `%${byte.charCodeAt(0).toString(16).toUpperCase()}`);
