import { vennet } from '@vennet/client';

/** The client of the server that these pages came from. */
export const api = vennet();
