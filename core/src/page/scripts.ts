/** An assignment that sends the reader on when the script runs: `location.href = "…"`, `location.replace("…")`. */
const SENDS_ON =
  /(?:^|[^\w$.])(?:(?:window|document|self|top|parent)\.)?location(?:\.href)?\s*=\s*["'`]([^"'`\s]{1,2000})["'`]|(?:^|[^\w$])location\.(?:replace|assign)\(\s*["'`]([^"'`\s]{1,2000})["'`]/;

/** A script that loads the page anew, as doors do once they have put their cookie. */
const LOADS_ANEW = /(?:^|[^\w$.])(?:(?:window|document|self|top)\.)?location\.reload\(/;
/** What runs without anybody pressing anything, although it stands in a function. */
const RUNS_BY_ITSELF =
  /setTimeout|onload|DOMContentLoaded|\(\s*(?:async\s+)?function\b|\(\s*(?:async\s*)?\(\s*\)\s*=>/;

/**
 * Where a script sends the reader on by itself, as it is written there; `null` where it does not seem to. What stands in a
 * function that somebody has to call first does not count.
 */
export function scriptSendsTo(source: string): string | null {
  const match = SENDS_ON.exec(source) ?? LOADS_ANEW.exec(source);
  if (!match) return null;
  const before = source.slice(0, match.index + 1);
  const depth = count(before, '{') - count(before, '}');
  if (depth > 0 && !RUNS_BY_ITSELF.test(before)) return null;
  return match[1] ?? match[2] ?? 'itself';
}

const count = (text: string, sign: string): number => text.split(sign).length - 1;

/** True for the type of a script that runs (HTML Living Standard, 4.12.1); data blocks do not. */
export const runs = (type: string | undefined): boolean =>
  type === undefined ||
  type.trim() === '' ||
  /^(?:module|(?:text|application)\/(?:x-)?(?:java|ecma)script|text\/(?:jscript|livescript))$/i.test(
    type.trim(),
  );
