import { ANSWERS } from './answers.js';
import type { Behaviour } from './behaviour.js';
import { NETWORK } from './network.js';
import { PAGES } from './pages.js';
import { REDIRECTS } from './redirects.js';

export type { Behaviour } from './behaviour.js';

/** Every behaviour of the network that a check has to know, each with what has to be said of it. */
export const CATALOGUE: readonly Behaviour[] = [...ANSWERS, ...REDIRECTS, ...PAGES, ...NETWORK];
