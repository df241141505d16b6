import { pipeline, Transform, type Readable, type TransformCallback } from 'node:stream';
import { constants, createBrotliDecompress, createGunzip, createInflate, createInflateRaw } from 'node:zlib';

/** What is sent can't be unpacked: browsers show an error instead. */
export class UnpackError extends Error {
  readonly code = 'VENNET_UNPACKABLE';
}

/** What a request offers to unpack; zstd is not in Node 20. */
export const ACCEPTED_ENCODINGS = 'gzip, deflate, br';

/** More layers of packing than this are an attack. */
const MOST_LAYERS = 4;

/** The body without its content encodings (RFC 9110, 8.4), the last one first. Bodies that end too early give what they have. */
export function unpacked(body: Readable, encoding: string): Readable {
  const layers = encoding
    .split(',')
    .map((one) => one.trim().toLowerCase())
    .filter((one) => one !== '' && one !== 'identity' && one !== 'none');
  if (layers.length > MOST_LAYERS) throw new UnpackError(`packed ${layers.length} times`);
  return layers.reduceRight<Readable>((source, layer) => {
    const unpack = unpackerOf(layer);
    pipeline(source, unpack, () => {});
    return unpack;
  }, body);
}

function unpackerOf(layer: string): Transform {
  switch (layer) {
    case 'gzip':
    case 'x-gzip':
      return createGunzip({ finishFlush: constants.Z_SYNC_FLUSH });
    case 'br':
      return createBrotliDecompress({ finishFlush: constants.BROTLI_OPERATION_FLUSH });
    case 'deflate':
      return new Inflate();
    default:
      throw new UnpackError(`packed by ${layer}`);
  }
}

/** `deflate` is meant to be zlib (RFC 1950), and many servers send it bare (RFC 1951): the first bytes tell. */
class Inflate extends Transform {
  #inner: Transform | null = null;

  override _transform(chunk: Buffer, _encoding: string, callback: TransformCallback): void {
    if (!this.#inner) {
      const [first = 0, second = 0] = chunk;
      const isZlib = (first & 0x0f) === 8 && ((first << 8) | second) % 31 === 0;
      const options = { finishFlush: constants.Z_SYNC_FLUSH };
      const inner = isZlib ? createInflate(options) : createInflateRaw(options);
      inner.on('data', (data: Buffer) => {
        if (!this.push(data)) inner.pause();
      });
      inner.on('error', (error) => this.destroy(error));
      this.#inner = inner;
    }
    this.#inner.write(chunk, () => callback());
  }

  override _read(size: number): void {
    this.#inner?.resume();
    super._read(size);
  }

  override _flush(callback: TransformCallback): void {
    if (!this.#inner) return callback();
    this.#inner.once('end', () => callback());
    this.#inner.end();
    this.#inner.resume();
  }
}
