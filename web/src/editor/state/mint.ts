import { ID_BYTES, idFrom } from '@vennet/core/manuscript';

/** A new id for something that is made in the editor. */
export const mint = (): string => idFrom(crypto.getRandomValues(new Uint8Array(ID_BYTES)));
