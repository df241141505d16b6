import { readFileSync } from 'node:fs';
import { work } from '../jobs/work.js';
import { shelfFont } from '../typesetting/fonts.js';

/** Reads a font of the Shelf, and says what can be done with it. */
work<{ path: string; name: string; type: string }, never, string>(
  () => null,
  async ({ path, name, type }) => {
    const font = await shelfFont({ name, type, bytes: new Uint8Array(readFileSync(path)) });
    return 'why' in font
      ? font.why
      : `“${font.family}” may be embedded: a PDF takes from it the letters that its own fonts have no shapes for.`;
  },
);
