import { describe, expect, test } from '@jest/globals';
import { faultInDestination, pageAddress, parseDeviceAddress, recognise, wordsFromAddress } from './index.js';

describe('telephone numbers (RFC 3966)', () => {
  // The examples of sections 3 and 6 of the RFC, and numbers as books have them.
  test.each([
    ['tel:+1-201-555-0123', 'tel:+1-201-555-0123', true],
    ['tel:7042;phone-context=example.com', 'tel:7042;phone-context=example.com', true],
    ['tel:863-1234;phone-context=+1-914-555', 'tel:863-1234;phone-context=+1-914-555', true],
    ['TEL:+44 20 7946 0000', 'tel:+442079460000', true],
    ['tel:+49%20(30)%20901820;ext=5', 'tel:+49(30)901820;ext=5', true],
    ['tel:030-901820', 'tel:030-901820', false],
  ])('%s is %s', (address, href, isWhole) => {
    const read = parseDeviceAddress(address);
    expect(read?.href).toBe(href);
    expect(read?.doubt === '').toBe(isWhole);
    expect(faultInDestination({ kind: 'web', href })).toBeNull();
  });

  test.each([
    'tel:',
    'tel:lamp',
    'tel:+',
    'tel:+1;x y',
    'tel:javascript',
    'tel:+49*21#',
    `tel:${'1'.repeat(40)}`,
    'tel:%zz',
  ])('%s is none', (address) => expect(parseDeviceAddress(address)).toBeNull());
});

describe('spots on the earth (RFC 5870)', () => {
  // The examples of sections 3 and 6 of the RFC.
  test.each([
    ['geo:13.4125,103.8667', 'geo:13.4125,103.8667'],
    ['geo:48.2010,16.3695,183', 'geo:48.2010,16.3695,183'],
    ['geo:48.198634,16.371648;crs=wgs84;u=40', 'geo:48.198634,16.371648;crs=wgs84;u=40'],
    ['geo:90,-22.43;crs=WGS84', 'geo:90,-22.43;crs=WGS84'],
    ['geo:54.18, 7.89?z=12', 'geo:54.18,7.89'],
  ])('%s is %s', (address, href) => expect(parseDeviceAddress(address)?.href).toBe(href));

  test.each(['geo:', 'geo:91,0', 'geo:0,181', 'geo:1', 'geo:a,b'])('%s is none', (address) =>
    expect(parseDeviceAddress(address)).toBeNull(),
  );
});

test('are typed like any address, and no page is asked for', () => {
  const typed = recognise('tel:+49 30 901820');
  expect(typed).toMatchObject({ ok: true, destination: { kind: 'web', href: 'tel:+4930901820' } });
  const refused = recognise('tel:lamp');
  expect('reason' in refused && refused.reason).toContain('telephone number');
  expect(pageAddress({ kind: 'web', href: 'tel:+4930901820' })).toBeNull();
  expect(pageAddress({ kind: 'web', href: 'https://lamp.example/' })).toBe('https://lamp.example/');
  expect(wordsFromAddress('geo:54.18,7.89')).toBe('54.18, 7.89');
  expect(faultInDestination({ kind: 'web', href: 'tel:+49 30' })).toContain('tel:+4930');
});
