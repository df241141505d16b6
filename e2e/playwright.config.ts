import { defineConfig } from '@playwright/test';

/**
 * What the browser does beside the page: two hidden pages of its own for every window cost as much as ours. The rest is what
 * Playwright turns off itself, which this list takes the place of.
 */
const NOT_OF_THE_PAGE = [
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsUpgrades',
  'HttpsFirstBalancedModeAutoEnable',
  'MediaRouter',
  'PaintHolding',
  'ThirdPartyStoragePartitioning',
  'OptimizationHints',
  'NetworkTimeServiceQuerying',
  'AimEnabled',
  'PreconnectToSearch',
];

/**
 * The interface as a person uses it: the built application, Debian's Chromium. Two files of tests run side by side, each with
 * a Vennet of its own. A test that fails now and then is a fault, so none is tried again.
 */
export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  globalSetup: './fresh-data.ts',
  workers: 2,
  fullyParallel: false,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  retries: 0,
  reporter: [['list'], ['json']],
  outputDir: '../test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    actionTimeout: 15_000,
    launchOptions: {
      executablePath: process.env.VENNET_CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
        `--disable-features=${NOT_OF_THE_PAGE.join()}`,
      ],
    },
  },
});
