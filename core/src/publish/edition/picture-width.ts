import { pixelsOf } from '../../cleaning/index.js';
import type { EnclosureFile } from './edition.js';

const known = new WeakMap<EnclosureFile, { width: number; height: number }>();

/** The size at which a picture is shown, in CSS px: its own where it fits the line, else the share of the line that is chosen. */
export function shownSize(
  file: EnclosureFile,
  share: number | null,
  line: number,
): { width: number; height: number } {
  const own = known.get(file) ?? pixelsOf(file.bytes) ?? { width: 96, height: 96 };
  known.set(file, own);
  const width = share === null ? Math.min(own.width, line) : (line * share) / 100;
  return { width, height: (width / own.width) * own.height };
}
