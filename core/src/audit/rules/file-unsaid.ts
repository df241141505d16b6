import { fileWords, phrases, typeWords } from '../../language/index.js';
import { wordsOf, type Link } from '../../manuscript/index.js';
import { factsOf } from '../facts.js';
import { putWords, type AuditContext, type Rule } from '../finding.js';

/** Types of files by the ends of their names, that open outside of the page that a reader reads. */
const TYPES: Readonly<Record<string, string>> = {
  pdf: 'application/pdf',
  epub: 'application/epub+zip',
  zip: 'application/zip',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  odt: 'application/vnd.oasis.opendocument.text',
  ods: 'application/vnd.oasis.opendocument.spreadsheet',
  csv: 'text/csv',
  gpx: 'application/gpx+xml',
  ics: 'text/calendar',
  ...{
    doc: '',
    xls: '',
    ppt: '',
    pptx: '',
    odp: '',
    rtf: '',
    mobi: '',
    rar: '',
    '7z': '',
    gz: '',
    tar: '',
    kml: '',
  },
  ...{ mp3: 'audio/mpeg', m4a: 'audio/mp4', wav: 'audio/wav', ogg: 'audio/ogg', flac: 'audio/flac' },
  ...{
    mp4: 'video/mp4',
    mov: 'video/quicktime',
    avi: 'video/x-msvideo',
    mkv: 'video/x-matroska',
    webm: 'video/webm',
  },
  ...{ exe: '', dmg: '', apk: '', iso: '', msi: '' },
};

/** What a link leads to, where that is a file: its type in words, and with its size where that is known. */
function fileAt(
  link: Link,
  { files, language }: AuditContext,
): { type: string; words: string; ending: string } | null {
  const { destination } = link;
  if (destination.kind === 'file') {
    const file = files.get(destination.enclosure);
    if (!file || file.type === 'text/html') return null;
    return {
      type: typeWords(file.type, file.name, language),
      words: fileWords(file, language),
      ending: /\.([a-z0-9]{2,5})$/i.exec(file.name)?.[1] ?? '',
    };
  }
  if (destination.kind !== 'web') return null;
  const ending = /\.([a-z0-9]{2,5})$/i.exec(factsOf(link).path)?.[1]?.toLowerCase() ?? '';
  const known = TYPES[ending];
  if (known === undefined) return null;
  const type = typeWords(known, `file.${ending}`, language);
  return { type, words: type, ending };
}

/** A file whose words say neither that it is one nor how large: readers are taken by surprise. Common practice (no source). */
export const fileUnsaid: Rule = {
  id: 'file-unsaid',
  title: 'Files without their type or size in the words or next to them',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.4 (G91)',
  looksAt: ({ kind, carrier }) => (kind === 'file' || kind === 'web') && carrier !== 'reference',
  find(link, context) {
    const file = fileAt(link, context);
    if (!file) return null;
    const words = factsOf(link).words;
    if (
      words === '' ||
      tellsFile(
        `${words} ${link.before} ${link.after} ${cellOf(link, context)}`,
        `${file.type} ${file.ending}`,
        context.language,
      )
    )
      return null;
    const kind = link.carrier === 'text' ? [putWords(`${words} (${file.words})`)] : [];
    const onShelf = link.kind === 'file';
    return {
      // Vennet itself tells type and size of its files to screen readers.
      severity: onShelf ? 'consider' : 'should-fix',
      judged: 'sentence',
      message: `This opens a file (${file.words}), and neither its words nor those next to it say so.${onShelf ? ' Screen readers are told; who sees the words is not.' : ''}`,
      repairs: kind,
    };
  },
};

const cellOf = (link: Link, { settingOf }: AuditContext): string => {
  const setting = settingOf?.(link);
  const around = setting?.cell?.node ?? setting?.items[0];
  return around ? wordsOf(around) : '';
};

/** A type, by its sign or its words, or a size. */
function tellsFile(words: string, type: string, language: string): boolean {
  const { kilobytes, megabytes, bytes } = phrases(language).file;
  const size = new RegExp(
    `\\d[\\d.,]*\\s?(?:[kmg]i?[bo]|${kilobytes}|${megabytes}|${bytes})(?![\\p{L}])`,
    'iu',
  );
  if (size.test(words)) return true;
  return type
    .split(' ')
    .filter((part) => part.length > 1)
    .some((part) =>
      new RegExp(`(?<![\\p{L}\\p{N}.])\\.?${part.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&')}`, 'iu').test(words),
    );
}
