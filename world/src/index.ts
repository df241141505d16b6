export { isReservedName } from './names.js';
export { page, redirect, status } from './site.js';
export type { Fallback, Page, PageAnswer, Site } from './site.js';
export { demoSites } from './sites.js';
export { startWorld } from './world.js';
export type { World, WorldOptions } from './world.js';
