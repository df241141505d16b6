/** The longest language tag (BCP 47, 4.4.1), in signs. */
const LONGEST = 35;

/** A language tag as BCP 47 writes it; `null` for what is none. `zh_CN` is taken for `zh-CN`. */
export function languageTag(told: string): string | null {
  try {
    const [tag = ''] = Intl.getCanonicalLocales(told.trim().replace(/_/g, '-'));
    return tag.length <= LONGEST && /^[a-z]{2,3}(?:-|$)/.test(tag) ? tag : null;
  } catch {
    return null;
  }
}

/** The primary language of a BCP 47 tag, in small letters. */
export const primaryOf = (language: string): string => language.replace(/-.*/, '').toLowerCase();

/** Whether two tags name one language, whatever region or script they add. */
export const areOneLanguage = (one: string, other: string): boolean => primaryOf(one) === primaryOf(other);
