import type { ShelfFile } from './shelf-file.js';

/** What readers call the types that books enclose; any other is called by the end of its name. */
const TYPE_WORDS: Record<string, string> = {
  'application/pdf': 'PDF',
  'application/epub+zip': 'e-book',
  'application/zip': 'ZIP archive',
  'application/json': 'JSON data',
  'application/gpx+xml': 'GPX route',
  'application/xml': 'XML data',
  'application/vnd.openxmlformats-officedocument.wordprocessingml.document': 'DOCX text',
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet': 'XLSX table',
  'application/vnd.oasis.opendocument.text': 'ODT text',
  'application/vnd.oasis.opendocument.spreadsheet': 'ODS table',
  'text/plain': 'text file',
  'text/csv': 'CSV table',
  'text/calendar': 'calendar file',
  'text/html': 'web page',
  'text/markdown': 'Markdown text',
};

const FAMILIES: Record<string, string> = { image: 'picture', audio: 'sound', video: 'film', font: 'font' };

/** The type of a file in a reader's words: "PDF", "JPEG picture", "WAV sound". */
export function typeWords(type: string, name = ''): string {
  const known = TYPE_WORDS[type];
  if (known) return known;
  const [family, kind = ''] = type.split('/');
  const ending = /\.([a-z0-9]{1,5})$/i.exec(name)?.[1];
  const sort = (kind.replace(/^(?:x-|vnd\.)/, '').replace(/\+.*$/, '') || ending || '').toUpperCase();
  if (FAMILIES[family]) return `${sort} ${FAMILIES[family]}`.trim();
  return ending ? `${ending.toUpperCase()} file` : 'file';
}

/** A size as people say it: whole kilobytes (1,000 bytes), then megabytes with one decimal. */
export function sizeWords(bytes: number): string {
  if (bytes < 1000) return bytes === 1 ? '1 byte' : `${bytes} bytes`;
  if (bytes < 999_500) return `${Math.round(bytes / 1000)} kB`;
  return `${(bytes / 1_000_000).toFixed(1)} MB`;
}

/** What a reader should know before pressing: "PDF, 240 kB". */
export function fileWords(file: Pick<ShelfFile, 'type' | 'name' | 'size'>): string {
  return `${typeWords(file.type, file.name)}, ${sizeWords(file.size)}`;
}

/** A name that every system takes as the name of a file: no separators, control characters or reserved signs. */
export function safeFileName(name: string): string {
  const last = name.split(/[/\\]/).at(-1) ?? '';
  const plain = last
    .toWellFormed()
    .normalize('NFC')
    // eslint-disable-next-line no-control-regex -- the control characters are what is taken out
    .replace(/[\u0000-\u001f\u007f<>:"|?*\u200e\u200f\u202a-\u202e]/g, '')
    .replace(/\s+/g, ' ')
    .replace(/^[ .]+|[ .]+$/g, '');
  if (plain === '') return 'file';
  const dot = plain.lastIndexOf('.');
  if (plain.length <= 120) return plain;
  return dot > 0 && plain.length - dot <= 10
    ? plain.slice(0, 120 - (plain.length - dot)) + plain.slice(dot)
    : plain.slice(0, 120);
}

/**
 * The paths of files in the folder that travels with a book, each its own: `files/tide-table.pdf`. Letters and digits of
 * ASCII only, since archives and readers disagree on others (common practice).
 */
export function travellingPaths(files: Iterable<Pick<ShelfFile, 'id' | 'name'>>): Map<string, string> {
  const paths = new Map<string, string>();
  const taken = new Set<string>();
  for (const { id, name } of files) {
    const dot = name.lastIndexOf('.');
    const [stem, ending] = dot > 0 ? [name.slice(0, dot), name.slice(dot + 1)] : [name, ''];
    const plain = (text: string) =>
      text
        .normalize('NFKD')
        .replace(/\p{M}/gu, '')
        .replace(/[^A-Za-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .toLowerCase();
    const tail = plain(ending) === '' ? '' : `.${plain(ending)}`;
    let path = `files/${plain(stem) || 'file'}${tail}`;
    for (let count = 2; taken.has(path); count++) path = `files/${plain(stem) || 'file'}-${count}${tail}`;
    taken.add(path);
    paths.set(id, path);
  }
  return paths;
}
