import { randomBytes } from 'node:crypto';
import { ID_BYTES, idFrom } from '@vennet/core/manuscript';

/** A new id for a chapter, a link or an enclosure. */
export const mint = (): string => idFrom(randomBytes(ID_BYTES));
