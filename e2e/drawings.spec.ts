import { expect, test } from '@playwright/test';
import { cleanDrawing } from '@vennet/core/cleaning';
import { HOSTILE_DRAWINGS } from '@vennet/core/testing';

const cleaned = (text: string) => {
  const drawing = cleanDrawing(new TextEncoder().encode(text));
  if ('fault' in drawing) throw new Error(drawing.fault);
  return { ...drawing, text: new TextDecoder().decode(drawing.bytes) };
};

test('in no drawing that was cleaned does anything run or is anything fetched', async ({ page }) => {
  let ran = '';
  page.on('dialog', (dialog) => {
    ran = dialog.message();
    void dialog.dismiss();
  });
  let drawing = '';
  const asked: string[] = [];
  await page.route('**/*', (route) => {
    const url = route.request().url();
    if (url === 'https://book.example/d.svg')
      return route.fulfill({ contentType: 'image/svg+xml', body: drawing });
    asked.push(url);
    return route.abort();
  });
  for (const [name, text] of HOSTILE_DRAWINGS) {
    drawing = cleaned(text).text;
    await page.goto('https://book.example/d.svg');
    await page
      .locator('#r, rect')
      .first()
      .click({ force: true, timeout: 300 })
      .catch(() => {});
    expect([name, ran, asked.filter((url) => !url.endsWith('/favicon.ico'))]).toEqual([name, '', []]);
  }
});

// The geometry of a browser: SVG 2, 8.10, by Chromium.
test('the links of a drawing lie where a browser sees them', async ({ page }) => {
  const shapes = [
    '<g transform="rotate(30 50 50) scale(1.2 .8)"><rect x="10" y="20" width="30" height="40"/></g>',
    '<path d="M10 80 C 40 10, 65 10, 95 80 S 150 150, 180 80"/>',
    '<path d="M80 80 A 45 25 30 0 0 125 125 L 125 80 Z" transform="skewX(10)"/>',
    '<ellipse cx="100" cy="50" rx="40" ry="20" transform="matrix(.5 .2 -.1 .7 20 10)"/>',
    '<use href="#s" x="60" y="30" transform="translate(5,-5)"/>',
    '<polyline points="10 10, 40,90 150 20"/><circle cx="20" cy="90" r="9"/>',
    '<image x="20" y="30" width="50%" height="10%"/>',
  ];
  const views = [
    'viewBox="0 0 200 100"',
    'viewBox="-20 -10 300 300" preserveAspectRatio="xMaxYMin slice"',
    'viewBox="0 0 100 200"',
  ];
  for (const view of views)
    for (const shape of shapes) {
      const text = `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="200" ${view}><defs><rect id="s" width="20" height="9"/></defs><a href="https://a.example/">${shape}</a></svg>`;
      await page.setContent(`<style>body{margin:0}svg{display:block}</style>${text}`);
      const seen = await page.locator('a').evaluate((link) => {
        const { left, top, right, bottom } = link.getBoundingClientRect();
        return [left / 400, top / 200, right / 400, bottom / 200];
      });
      const box = cleaned(text).links[0]!.box!;
      const [left = 0, top = 0, right = 0, bottom = 0] = seen;
      // A browser turns the box of a round shape, ours is the box of the turned shape: it lies within.
      const within = [box.left - left, box.top - top, right - box.right, bottom - box.bottom];
      for (const share of within) {
        expect(share).toBeGreaterThan(-0.005);
        expect(share).toBeLessThan(/rotate|matrix|skew|A 45/.test(shape) ? 0.1 : 0.005);
      }
    }
});
