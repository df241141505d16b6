/** Signs that mean something anywhere in a line (CommonMark 0.31, 2.4 and 6; `{}` and `~` of its extensions). */
const ANYWHERE = /[\\`*_[\]<>{}~!|^$]/g;

/** Words as they stand in Markdown, so that they are read as they are. */
export function escaped(words: string): string {
  return words
    .replace(/&(?=#?\w+;)/g, '&amp;')
    .replace(ANYWHERE, (sign) => `\\${sign}`)
    .replace(/\n/g, ' ')
    .replace(/^(\s*)([#+=-])/, '$1\\$2')
    .replace(/^(\s*\d{1,9})([.)])(?=\s|$)/, '$1\\$2');
}

/** An address between brackets, in the signs that can stand there (CommonMark 0.31, 6.3). */
export function addressIn(href: string): string {
  return /[\s<>()\\]/.test(href) || href === ''
    ? `<${href.replace(/[\\<>]/g, (sign) => `\\${sign}`).replace(/\s/g, '%20')}>`
    : href;
}

/** A hover note after an address. */
export const titleIn = (note: string): string =>
  `"${note
    .replace(/[\\"]/g, (sign) => `\\${sign}`)
    .replace(/&(?=#?\w+;)/g, '&amp;')
    .replace(/\s*\n\s*/g, ' ')}"`;
