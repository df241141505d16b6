/** Percent-decoded text; left as it is where its percent signs begin no octets of UTF-8. */
export function decodeLoosely(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}
