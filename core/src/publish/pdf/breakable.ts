/** Signs after which a line breaks better than elsewhere. */
const PAUSES = /[/\\._\-–—?&=:;,@#+~%|)\]}>]/;
/** Signs after which a line breaks by itself: spaces, and the signs of Chinese and Japanese. */
const BREAKS = /[\s\u00ad\u200b\p{sc=Han}\p{sc=Hiragana}\p{sc=Katakana}]/u;
/** White space at which no line breaks. */
const FIXED = /[\u00a0\u202f]/;
/** The template makes room for it and never writes it: readers of a PDF lose the sign before one (ISO 32000-1, 9.10 maps both as one). */
const MAY_BREAK = '\u200b';

/**
 * Words with room to break (U+200B) in each run of more than `most` signs in which no line would: after a pause within it, else
 * anywhere; fixed spaces become loose ones. Soft hyphens go: the typesetter hyphenates by itself.
 */
export function breakable(said: string, most: number): string {
  const text = said.replaceAll('\u00ad', '');
  if (text.length <= most || !mayBeLong(most).test(text)) return text;
  let made = '';
  let run = '';
  const end = () => {
    made += run.length > most ? broken(run, most) : run;
    run = '';
  };
  for (const sign of text) {
    if (BREAKS.test(sign) && !FIXED.test(sign)) {
      end();
      made += sign;
    } else run += sign;
  }
  end();
  return made;
}

/** What may be a run of more than so many UTF-16 units: most texts have none, and that is seen at once. */
function mayBeLong(most: number): RegExp {
  let pattern = patterns.get(most);
  if (!pattern) patterns.set(most, (pattern = new RegExp(`[^ ]{${most + 1}}`)));
  return pattern;
}

const patterns = new Map<number, RegExp>();

function broken(run: string, most: number): string {
  let made = '';
  let since = 0;
  const signs = Array.from(run);
  for (const [index, sign] of signs.entries()) {
    since += 1;
    const next = signs[index + 1];
    if (next === undefined) return made + sign;
    if (FIXED.test(sign)) {
      made += since * 4 > most ? ' ' : sign;
      if (since * 4 > most) since = 0;
      continue;
    }
    made += sign;
    // A mark stays with its letter, and a pause at the end of its run.
    if (/[\p{M}\p{Join_Control}]/u.test(next) || /\p{Join_Control}/u.test(sign) || FIXED.test(next)) continue;
    if (PAUSES.test(sign) && !PAUSES.test(next)) {
      made += MAY_BREAK;
      since = 0;
    } else if (since >= Math.max(2, most >> 1)) {
      made += MAY_BREAK;
      since = 0;
    }
  }
  return made;
}
