import type { Link } from '../../manuscript/index.js';
import type { ShelfFile } from '../../shelf/index.js';
import type { AuditContext } from '../finding.js';

/** The file on the Shelf that a link leads to. */
export const fileOf = ({ destination }: Link, { files }: AuditContext): ShelfFile | undefined =>
  destination.kind === 'file' ? files.get(destination.enclosure) : undefined;
