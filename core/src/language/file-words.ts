import { phrases } from './phrases.js';
import type { FileKind } from './tongues/tongue.js';

/** What is known of a file whose words are wanted. `type` is a media type, `size` is in bytes. */
export interface FileTold {
  type: string;
  name: string;
  size: number;
}

/** The sign of a type's format, and the kind of file that it is: a type has one of them or both. */
interface TypeRow {
  sign?: string;
  kind?: FileKind;
}

/** The types that books enclose most; any other is called by the end of its name. */
const TYPES: Readonly<Record<string, TypeRow>> = {
  'application/pdf': { sign: 'PDF' },
  'application/epub+zip': { kind: 'eBook' },
  'application/zip': { sign: 'ZIP', kind: 'archive' },
  'application/json': { sign: 'JSON', kind: 'data' },
  'application/gpx+xml': { sign: 'GPX', kind: 'route' },
  'application/xml': { sign: 'XML', kind: 'data' },
  'application/vnd.openxmlformats-officedocument.wordprocessingml.document': { sign: 'DOCX', kind: 'text' },
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet': { sign: 'XLSX', kind: 'table' },
  'application/vnd.oasis.opendocument.text': { sign: 'ODT', kind: 'text' },
  'application/vnd.oasis.opendocument.spreadsheet': { sign: 'ODS', kind: 'table' },
  'text/plain': { kind: 'textFile' },
  'text/csv': { sign: 'CSV', kind: 'table' },
  'text/calendar': { kind: 'calendar' },
  'text/html': { kind: 'webPage' },
  'text/markdown': { sign: 'Markdown', kind: 'text' },
};

const FAMILIES: Readonly<Record<string, FileKind>> = {
  image: 'picture',
  audio: 'sound',
  video: 'film',
  font: 'font',
};

function rowOf(type: string, name: string): TypeRow {
  const known = TYPES[type];
  if (known) return known;
  const [family = '', kind = ''] = type.split('/');
  const ending = /\.([a-z0-9]{1,5})$/i.exec(name)?.[1];
  const sort = (kind.replace(/^(?:x-|vnd\.)/, '').replace(/\+.*$/, '') || ending || '').toUpperCase();
  const familiar = FAMILIES[family];
  if (familiar) return { sign: sort, kind: familiar };
  return ending ? { sign: ending.toUpperCase(), kind: 'file' } : { kind: 'file' };
}

/** The type of a file in a reader's words: "PDF", "JPEG picture", "WAV sound". */
export function typeWords(type: string, name = '', language = 'en'): string {
  const { sign = '', kind } = rowOf(type, name);
  const { kinds, named } = phrases(language).file;
  if (!kind) return sign;
  return sign === '' ? kinds[kind] : named(sign, kinds[kind]);
}

/** A size as people say it: whole kilobytes (1,000 bytes), then megabytes with one decimal. */
export function sizeWords(bytes: number, language = 'en'): string {
  const units = phrases(language).file;
  if (bytes < 1000) return `${bytes} ${bytes === 1 ? units.byte : units.bytes}`;
  if (bytes < 999_500) return `${Math.round(bytes / 1000)} ${units.kilobytes}`;
  const megabytes = new Intl.NumberFormat(localeOf(language), {
    minimumFractionDigits: 1,
    maximumFractionDigits: 1,
    useGrouping: false,
  });
  return `${megabytes.format(bytes / 1_000_000)} ${units.megabytes}`;
}

/** What a reader should know before pressing: "PDF, 240 kB". */
export function fileWords({ type, name, size }: FileTold, language = 'en'): string {
  return `${typeWords(type, name, language)}, ${sizeWords(size, language)}`;
}

/** True where words tell both the type and the size of a file already. */
export function tellFile(words: string, { type, name, size }: FileTold, language: string): boolean {
  const said = words.toLowerCase().replace(/\u00a0/g, ' ');
  const { sign } = rowOf(type, name);
  const sort = sign ?? typeWords(type, name, language).replace(/ .*/, '');
  return said.includes(sort.toLowerCase()) && said.includes(sizeWords(size, language).toLowerCase());
}

/** A tag that `Intl` takes. */
function localeOf(language: string): string {
  try {
    return Intl.getCanonicalLocales(language)[0] ?? 'en';
  } catch {
    return 'en';
  }
}
