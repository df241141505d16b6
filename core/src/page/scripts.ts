/** An assignment that sends the reader on when the script runs: `location.href = "…"`, `location.replace("…")`. */
const SENDS_ON =
  /(?:^|[^\w$.])(?:(?:window|document|self|top|parent)\.)?location(?:\.href)?\s*=\s*["'`]([^"'`\s]{1,2000})["'`]|(?:^|[^\w$])location\.(?:replace|assign)\(\s*["'`]([^"'`\s]{1,2000})["'`]/;

/** Where a script sends the reader on, as it is written there; `null` where it does not seem to. */
export function scriptSendsTo(source: string): string | null {
  const match = SENDS_ON.exec(source);
  return match?.[1] ?? match?.[2] ?? null;
}

/** True for the type of a script that runs (HTML Living Standard, 4.12.1); data blocks do not. */
export const runs = (type: string | undefined): boolean =>
  type === undefined ||
  type.trim() === '' ||
  /^(?:module|(?:text|application)\/(?:x-)?(?:java|ecma)script|text\/(?:jscript|livescript))$/i.test(
    type.trim(),
  );
