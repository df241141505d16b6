import { expect, test } from '@jest/globals';
import { parseWebAddress, urlFrom } from './index.js';

test('an address with letters beyond ASCII is read the same the thousandth time as the first', () => {
  const refused = Array.from({ length: 20_000 }, (_, index) =>
    parseWebAddress(index % 2 ? 'https://lamp.example/' : 'https://bücher.example/'),
  ).filter((url) => url === null);
  expect(refused).toHaveLength(0);
  expect(urlFrom('ü.html', 'https://bücher.example/')?.href).toBe(
    'https://xn--bcher-kva.example/%C3%BC.html',
  );
  expect(urlFrom('no address')).toBeNull();
});
