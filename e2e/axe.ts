import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type { AxeResults } from 'axe-core';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * What axe-core finds on the page as it is: WCAG 2.2 A and AA, and its best practices. A dark page differs from a light one in
 * its colours only, so there only the rules of colour are asked.
 */
export async function axe(page: Page): Promise<string[]> {
  await page.waitForTimeout(250); // transitions change colours for a moment
  const isDark = await page.evaluate(() => matchMedia('(prefers-color-scheme: dark)').matches);
  const options = {
    resultTypes: ['violations'],
    ...(isDark ? { runOnly: ['color-contrast', 'link-in-text-block'] } : {}),
  };
  const results = await page.evaluate(`${AXE}; axe.run(document, ${JSON.stringify(options)})`);
  return (results as AxeResults).violations.map(
    ({ id, nodes }) =>
      `${id}: ${nodes.map(({ target, failureSummary }) => `${target.join(' ')} ${failureSummary}`).join(' | ')}`,
  );
}

/** The rules of axe-core among some that find anything on the page. */
export async function axeRules(page: Page, rules: readonly string[]): Promise<string[]> {
  const options = { resultTypes: ['violations'], runOnly: rules };
  const results = await page.evaluate(`${AXE}; axe.run(document, ${JSON.stringify(options)})`);
  return (results as AxeResults).violations.map(({ id }) => id);
}
