import type { ShelfFile } from '../shelf/index.js';

/** A file of the Shelf called f1: a PDF that everyone can open, inside the book. */
export const shelfFile = (more: Partial<ShelfFile> = {}): ShelfFile => ({
  id: 'f1',
  name: 'tide-table.pdf',
  type: 'application/pdf',
  claims: null,
  size: 1000,
  sha256: '0'.repeat(64),
  description: '',
  opensFor: 'everyone',
  travels: 'inside',
  address: null,
  ...more,
});
