/** Data that are longer than this are not read for an error, in UTF-16 units. */
export const LONGEST_DATA = 256_000;

/**
 * The error that an answer in JSON tells of at its top: `error`, `errors`, `success: false`, `ok: false`, a status of 400 or
 * more (RFC 9457 has `status` and `title`; the rest is common practice without a source). `''` where it tells of none.
 */
export function errorInData(json: string): string {
  let value: unknown;
  try {
    value = JSON.parse(json);
  } catch {
    return '';
  }
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return '';
  const data = value as Record<string, unknown>;
  const told = [data.error, data.errors, data.fault, data.exception].find(isTold);
  const status = [data.status, data.statusCode, data.code, data.status_code]
    .map(Number)
    .find((one) => one >= 400 && one < 600);
  const failed =
    data.success === false || data.ok === false || data.status === 'error' || data.status === 'fail';
  if (told === undefined && status === undefined && !failed) return '';
  // A status alone may count something else; an error has words with it.
  const words = [told, data.message, data.detail, data.title, data.reason].map(wordsOf).find(Boolean);
  if (told === undefined && !failed && !words) return '';
  return (words || String(status ?? 'error')).slice(0, 200);
}

const isTold = (value: unknown): boolean =>
  value !== undefined &&
  value !== null &&
  value !== false &&
  value !== '' &&
  value !== 0 &&
  value !== 'none' &&
  !(Array.isArray(value) && value.length === 0) &&
  !(typeof value === 'object' && Object.keys(value).length === 0);

function wordsOf(value: unknown): string {
  if (typeof value === 'string') return value;
  if (Array.isArray(value)) return wordsOf(value[0]);
  if (typeof value !== 'object' || value === null) return '';
  const { message, detail, title } = value as Record<string, unknown>;
  return [message, detail, title].find((one): one is string => typeof one === 'string') ?? '';
}
