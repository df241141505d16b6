import { expect, test } from '@jest/globals';
import { JSDOM } from 'jsdom';
import { partsOfPasted, pictureIn } from './pasted-pictures.js';

const pasted = (html: string) => {
  const { body } = new JSDOM(html).window.document;
  let count = 0;
  const parts = partsOfPasted(body, () => `spot-${++count}`);
  return { ...parts, html: body.innerHTML };
};

test('pictures leave anchors in their places; those of this text, and those that show nothing, do not', () => {
  const { pictures, html } = pasted(
    '<p>a<img src="data:image/png;base64,AA==" alt=" a lamp ">b</p><img src="https://a.example/x.png"><img src="/api/enclosures/e1">' +
      '<figure data-figure="{}"><img src="https://b.example/y.png"></figure><img width="1" height="1" src="https://counts.example/"><img>',
  );
  expect(pictures).toEqual([
    { spot: 'spot-1', src: 'data:image/png;base64,AA==', alt: 'a lamp' },
    { spot: 'spot-2', src: 'https://a.example/x.png', alt: '' },
  ]);
  expect(html).toContain(
    '<p>a<span id="spot-1" data-anchor=""></span>b</p><span id="spot-2" data-anchor=""></span>',
  );
  expect(html).toContain('<img src="/api/enclosures/e1">');
  expect(html).not.toContain('counts.example');
});

test('what is left out is counted once each', () =>
  expect(pasted('<video><object></object></video><form><svg></svg></form><p>words</p>').leftOut).toBe(2));

test('the bytes of a picture that travels in its own address', async () => {
  const file = pictureIn('data:image/png;base64,iVBORw0K');
  expect([file?.name, file?.type, file?.size]).toEqual(['pasted.png', 'image/png', 6]);
  const drawing = pictureIn('data:image/svg+xml;charset=utf-8,%3Csvg%2F%3E');
  expect([drawing?.name, await drawing?.text()]).toEqual(['pasted.svg', '<svg/>']);
  for (const none of ['https://a.example/x.png', 'data:text/html,x', 'data:image/png;base64,%%%', ''])
    expect(pictureIn(none)).toBeNull();
});
