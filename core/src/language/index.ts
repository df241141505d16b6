export { phrases } from './phrases.js';
export type { Phrases } from './phrases.js';
