export { contrast, contrastsOf, PAGES } from './contrast.js';
export type { LookContrast } from './contrast.js';
export { accessibleName, fileTold, heardAs, nameInFile } from './heard-as.js';
export type { Told } from './heard-as.js';
