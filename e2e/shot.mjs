import { chromium } from 'playwright';
const [, , out, ...steps] = process.argv;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const page = await browser.newPage({
  viewport: { width: 1280, height: 800 },
  colorScheme: process.env.DARK ? 'dark' : 'light',
});
const books = await (await fetch('http://localhost:4999/api/books')).json();
const book = books.sort((a, b) => b.links - a.links)[0].id;
for (const s of steps) {
  const i = s.indexOf('=');
  const k = i < 0 ? s : s.slice(0, i),
    v = i < 0 ? '' : s.slice(i + 1);
  if (k === 'go') await page.goto('http://localhost:4999' + v.replace('BOOK', book));
  if (k === 'click') await page.getByText(v, { exact: false }).first().click();
  if (k === 'role') {
    const [r, n] = v.split('|');
    await page.getByRole(r, { name: n }).first().click();
  }
  if (k === 'wait') await page.waitForTimeout(Number(v));
  if (k === 'fill') {
    const [l, t] = v.split('|');
    await page.getByLabel(l).first().fill(t);
  }
  if (k === 'scroll') await page.mouse.wheel(0, Number(v));
  if (k === 'press') await page.keyboard.press(v);
  if (k === 'shot') await page.screenshot({ path: v });
}
await page.screenshot({ path: out });
await browser.close();
