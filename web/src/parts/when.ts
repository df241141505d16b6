import { AUTHOR_LANGUAGE } from '@vennet/core/language';

const FORMS = {
  /** November 27, 2026 */
  day: { dateStyle: 'long' },
  /** Nov 27, 2026, 2:23 PM */
  moment: { dateStyle: 'medium', timeStyle: 'short' },
  /** 11/27/26, 2:23 PM */
  short: { dateStyle: 'short', timeStyle: 'short' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

const known = new Map<keyof typeof FORMS, Intl.DateTimeFormat>();

/** A moment (ISO 8601) as the author reads it, in the time of this computer. */
export function when(at: string, form: keyof typeof FORMS): string {
  let format = known.get(form);
  if (!format) known.set(form, (format = new Intl.DateTimeFormat(AUTHOR_LANGUAGE, FORMS[form])));
  return format.format(new Date(at));
}
