import { neighbours, splitText } from './neighbours.js';
import { sameDestination } from './same-destination.js';
import { sameWords } from './same-words.js';
import type { TogetherRule } from './together-rule.js';

/** Every rule over links beside each other. */
export const togetherRules: readonly TogetherRule[] = [sameWords, neighbours, splitText, sameDestination];
