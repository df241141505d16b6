import { imageSize } from 'image-size';
import { cleanDrawing, isDrawing, type DrawingLink } from './clean-drawing.js';

const TYPES: Record<string, string> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  gif: 'image/gif',
  webp: 'image/webp',
  bmp: 'image/bmp',
  tiff: 'image/tiff',
  avif: 'image/avif',
};

/** Pictures of more than this many pixels are not kept (common practice: 50 megapixels fill a page at 600 dpi). */
const MOST_PIXELS = 50_000_000;

/** A picture as it can be kept: a drawing is cleaned. */
export interface ReadPicture {
  /** Media type, told by the content. */
  type: string;
  bytes: Uint8Array;
  /** In its own pixels. */
  size: { width: number; height: number };
  /** The links that stood in a drawing. */
  links: DrawingLink[];
  /** How much was taken out of a drawing. */
  takenOut: number;
}

/** The picture as it can be kept, or why it can't. The type is told by the content, never by the name. */
export function readPicture(bytes: Uint8Array): ReadPicture | { fault: string } {
  if (isDrawing(bytes)) {
    const drawing = cleanDrawing(bytes);
    if ('fault' in drawing) return drawing;
    const { size, ...rest } = drawing;
    return size ? { type: 'image/svg+xml', size, ...rest } : { fault: 'the drawing tells no size' };
  }
  const { type: told = '', width, height } = measured(bytes);
  const type = TYPES[told];
  if (!type) return { fault: 'the picture’s data can’t be read' };
  if (width * height > MOST_PIXELS) return { fault: 'the picture has more than 50 million pixels' };
  return { type, bytes, size: { width, height }, links: [], takenOut: 0 };
}

/** The size of a picture in its own pixels, rounded; `null` for what is none. */
export function pixelsOf(bytes: Uint8Array): { width: number; height: number } | null {
  const size = isDrawing(bytes) ? sizeOfDrawing(bytes) : measured(bytes);
  const { width, height } = size ?? { width: 0, height: 0 };
  return width > 0 && height > 0 ? { width: Math.round(width), height: Math.round(height) } : null;
}

function sizeOfDrawing(bytes: Uint8Array) {
  const drawing = cleanDrawing(bytes);
  return 'fault' in drawing ? null : drawing.size;
}

function measured(bytes: Uint8Array): { type?: string; width: number; height: number } {
  try {
    return imageSize(bytes);
  } catch {
    return { width: 0, height: 0 };
  }
}
