export { colourFrom } from './colour-from.js';
export { contrast, contrastsOf, contrastsOfVisited, PAGES } from './contrast.js';
export type { LookContrast } from './contrast.js';
export { accessibleName, fileTold, heardAs, nameInFile, windowTold, wordsSeen } from './heard-as.js';
export type { Told } from './heard-as.js';
export { headersOf, isOnlyLinks, settingsOf, wordsBesideLinks } from './setting.js';
export type { CellSetting, Setting } from './setting.js';
