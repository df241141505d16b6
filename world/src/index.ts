export { CATALOGUE } from './catalogue/index.js';
export type { Behaviour } from './catalogue/index.js';
export { isReservedName } from './names.js';
export { does, html, made, page, raw, redirect, status } from './site.js';
export type { Fallback, Page, PageAnswer, Site, TlsState } from './site.js';
export { archiveSite } from './archive.js';
export { DEMO_TIME_GATE, demoSites } from './sites.js';
export { startWorld } from './world.js';
export type { World, WorldOptions } from './world.js';
