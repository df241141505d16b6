declare module 'wawoff2' {
  /** The font that was packed as WOFF2. */
  export function decompress(bytes: Uint8Array): Promise<Uint8Array>;
  export function compress(bytes: Uint8Array): Promise<Uint8Array>;
  const all: { decompress: typeof decompress; compress: typeof compress };
  export default all;
}
