/** Names that can't exist in public: reserved by RFC 2606. Only these are ever answered by the stand-in world. */
export function isReservedName(hostname: string): boolean {
  return (
    /(?:^|\.)(?:example|test|invalid)\.?$/i.test(hostname) ||
    /(?:^|\.)example\.(?:com|net|org)\.?$/i.test(hostname)
  );
}
