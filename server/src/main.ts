import { start, startFromCommand } from './run.js';
import { settingsFrom } from './platform/settings.js';

const running = await startFromCommand(() => start(settingsFrom(process.env)));
console.log(`Vennet runs at ${running.address}`);
