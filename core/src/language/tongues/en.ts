import type { Phrases } from './tongue.js';

/** English. General vocabulary, written down without a source. */
export const en: Phrases = {
  contents: 'Contents',
  addresses: 'Addresses',
  notes: 'Notes',
  note: 'note',
  figure: 'Figure',
  table: 'Table',
  item: 'item',
  part: 'Part',
  chapter: 'Chapter',
  page: 'page',
  above: 'above',
  below: 'below',
  back: 'Back',
  backTo: 'Back to',
  toTop: 'To the top',
  toContents: 'To the contents',
  toList: 'Back to the list',
  archivedCopy: 'archived copy of',
  email: 'email',
  newWindow: 'opens a new window',
  titlePage: 'Title page',
  startOfText: 'Start of the text',
  picture: 'Picture',
  withBook: {
    title: 'With this book',
    otherBook: (author) =>
      `${author === '' ? 'A book.' : `A book by ${author}.`} Ask the author of this book where it is to be had.`,
    apart: 'It does not come with the book: ask the author for it.',
    beside: (path) => `It lies next to this book, as ${path}.`,
    attached:
      'It is attached to this document: open it from the list of attachments in your reading program.',
    inside: (path) => `It is inside this book, as ${path}.`,
  },
  accessibility: {
    allDescribed:
      'Headings, contents and links can be followed in order, and every picture is described in words.',
    someNotDescribed:
      'Headings, contents and links can be followed in order. Some pictures are not described in words.',
  },
  file: {
    kinds: {
      archive: 'archive',
      calendar: 'calendar file',
      data: 'data',
      eBook: 'e-book',
      file: 'file',
      film: 'film',
      font: 'font',
      picture: 'picture',
      route: 'route',
      sound: 'sound',
      table: 'table',
      text: 'text',
      textFile: 'text file',
      webPage: 'web page',
    },
    named: (sign, kind) => `${sign} ${kind}`,
    byte: 'byte',
    bytes: 'bytes',
    kilobytes: 'kB',
    megabytes: 'MB',
  },
};
