import { expect, test } from '@jest/globals';
import { greyDrawing } from './grey-drawing.js';

// By the weights of ITU-R BT.709: red is 0.2126 of white, green 0.7152, blue 0.0722.
test.each([
  ['<path fill="#ff0000"/>', '<path fill="#363636"/>'],
  ["<path stroke='lime'/>", "<path stroke='#b6b6b6'/>"],
  ['<path style="fill: rgb(0, 0, 255); stroke:none"/>', '<path style="fill: #121212; stroke:none"/>'],
  ['<style>.a{fill:#fff;color:black}</style>', '<style>.a{fill:#ffffff;color:#000000}</style>'],
  ['<path fill="url(#sea)"/>', '<path fill="url(#sea)"/>'],
  ['<stop stop-color="#ff000080"/>', '<stop stop-color="#36363680"/>'],
  ['<text>fill the lamp</text>', '<text>fill the lamp</text>'],
])('%s', (drawing, grey) => expect(greyDrawing(drawing)).toBe(grey));
