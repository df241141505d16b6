/**
 * A reference resolved by the platform's URL parser; `null` when it is none. Not by `URL.canParse`: once Node 20 has
 * compiled a call to it, it refuses addresses with letters such as “ü”.
 */
export function urlFrom(reference: string, base?: string): URL | null {
  try {
    return new URL(reference, base);
  } catch {
    return null;
  }
}
