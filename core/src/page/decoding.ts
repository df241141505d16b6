import { headOf, markedEncoding, toWindows1252 } from './encoding.js';

/** How many bytes are waited for before the encoding of a page is settled (HTML wants it declared in the first 1,024). */
const ENOUGH = 1024;

const DECLARED = /<meta[^>]+charset\s*=\s*["']?([\w-]+)|^[^<]*<\?xml[^>]*encoding\s*=\s*["']([\w-]+)/i;

/**
 * Text out of bytes that come in pieces, by the rule of HTML: byte order mark, else what was told with it, else what it
 * declares, else UTF-8. A name of no encoding counts as none.
 */
export class StreamDecoder {
  #decoder: TextDecoder | null = null;
  #waiting: Uint8Array[] = [];
  #size = 0;

  constructor(readonly told: string | undefined) {}

  write(bytes: Uint8Array): string {
    if (this.#decoder) return this.#decode(this.#decoder, bytes);
    this.#waiting.push(bytes);
    this.#size += bytes.length;
    return this.#size < ENOUGH ? '' : this.#begin();
  }

  end(): string {
    const begun = this.#decoder ? '' : this.#begin();
    return begun + (this.#decoder?.decode() ?? '');
  }

  #begin(): string {
    const first = joined(this.#waiting, this.#size);
    this.#waiting = [];
    const declared = DECLARED.exec(headOf(first));
    const decoder =
      decoderFor(markedEncoding(first) ?? this.told) ??
      decoderFor(declared?.[1] ?? declared?.[2]) ??
      new TextDecoder();
    this.#decoder = decoder;
    return this.#decode(decoder, first);
  }

  #decode(decoder: TextDecoder, bytes: Uint8Array): string {
    const text = decoder.decode(bytes, { stream: true });
    return decoder.encoding === 'windows-1252' ? toWindows1252(text) : text;
  }
}

function decoderFor(name: string | undefined): TextDecoder | null {
  if (name === undefined) return null;
  try {
    return new TextDecoder(name);
  } catch {
    return null;
  }
}

function joined(parts: Uint8Array[], size: number): Uint8Array {
  const whole = new Uint8Array(size);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}
