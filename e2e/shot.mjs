import { chromium } from '@playwright/test';
const [,, out, ...steps] = process.argv;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('pageerror', (e) => console.log('ERR', e.message));
page.on('console', (m) => { if (m.type() === 'error') console.log('CON', m.text()); });
await page.goto('http://localhost:4999');
await page.getByRole('link', { name: 'Open Small Lights' }).click();
await page.getByRole('link', { name: 'Register' }).click();
await page.getByRole('heading', { name: 'Register' }).waitFor();
await page.waitForTimeout(800);
for (const step of steps) {
  const [what, ...more] = step.split('=');
  const arg = more.join('=');
  if (what === 'click') await page.getByRole('button', { name: new RegExp(arg) }).first().click();
  else if (what === 'item') await page.getByRole('menuitem', { name: new RegExp(arg) }).first().click();
  else if (what === 'text') await page.getByText(new RegExp(arg)).first().click();
  else if (what === 'key') await page.keyboard.press(arg);
  else if (what === 'fill') { const [l, v] = arg.split('|'); await page.getByLabel(l).first().fill(v); }
  else if (what === 'dark') await page.evaluate(() => document.documentElement.dataset.theme = 'dark');
  else if (what === 'size') { const [w, h] = arg.split('x').map(Number); await page.setViewportSize({ width: w, height: h }); }
  else if (what === 'scroll') await page.locator('main').evaluate((m, y) => m.scrollTo(0, y), Number(arg));
  else if (what === 'check') await page.getByLabel(new RegExp(arg)).first().check();
  await page.waitForTimeout(500);
}
await page.screenshot({ path: out });
await browser.close();
