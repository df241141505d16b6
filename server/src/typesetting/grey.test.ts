import { expect, test } from '@jest/globals';
import sharp from 'sharp';
import { inGrey } from './grey.js';

test('pictures are in shades of grey as they are set, and other files stay', async () => {
  const red = { create: { width: 8, height: 8, channels: 3 as const, background: '#cc3300' } };
  const drawing = '<svg xmlns="http://www.w3.org/2000/svg"><rect fill="#cc3300" width="8" height="8"/></svg>';
  const file = (type: string, bytes: Uint8Array) => ({ id: type, name: type, type, bytes });
  const [png, jpeg, svg, csv] = await inGrey([
    file('image/png', await sharp(red).png().toBuffer()),
    file('image/jpeg', await sharp(red).jpeg().toBuffer()),
    file('image/svg+xml', new TextEncoder().encode(drawing)),
    file('text/csv', new TextEncoder().encode('#cc3300')),
  ]);
  for (const one of [png!, jpeg!, svg!]) {
    const { data } = await sharp(one.bytes)
      .toColourspace('srgb')
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const [r = 0, g = 0, b = 0] = data;
    expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThanOrEqual(1);
    expect(r).toBeGreaterThan(40);
  }
  expect(new TextDecoder().decode(csv!.bytes)).toBe('#cc3300');
});
