import type { Phrases } from './tongue.js';

/** Italian. General vocabulary, written down without a source. */
export const it: Phrases = {
  contents: 'Indice',
  addresses: 'Indirizzi',
  notes: 'Note',
  note: 'nota',
  figure: 'Figura',
  table: 'Tabella',
  item: 'punto',
  part: 'Parte',
  chapter: 'Capitolo',
  page: 'pagina',
  above: 'sopra',
  below: 'sotto',
  back: 'Indietro',
  backTo: 'Torna a',
  toTop: 'All’inizio',
  toContents: 'All’indice',
  toList: 'Torna all’elenco',
  archivedCopy: 'copia archiviata del',
  email: 'e-mail',
  newWindow: 'si apre in una nuova finestra',
  titlePage: 'Frontespizio',
  startOfText: 'Inizio del testo',
  picture: 'Immagine',
  withBook: {
    title: 'Con questo libro',
    otherBook: (author) =>
      `${author === '' ? 'Un libro.' : `Un libro di ${author}.`} Chieda a chi ha scritto questo libro dove si può avere.`,
    apart: 'Non è con il libro: lo chieda a chi l’ha scritto.',
    beside: (path) => `Si trova accanto a questo libro, come ${path}.`,
    attached:
      'È allegato a questo documento: lo apra dall’elenco degli allegati del Suo programma di lettura.',
    inside: (path) => `Si trova in questo libro, come ${path}.`,
  },
  accessibility: {
    allDescribed:
      'Titoli, indice e collegamenti si possono seguire in ordine, e ogni immagine è descritta a parole.',
    someNotDescribed:
      'Titoli, indice e collegamenti si possono seguire in ordine. Alcune immagini non sono descritte a parole.',
  },
  file: {
    kinds: {
      archive: 'archivio',
      calendar: 'file di calendario',
      data: 'dati',
      eBook: 'libro elettronico',
      file: 'file',
      film: 'filmato',
      font: 'carattere',
      picture: 'immagine',
      route: 'percorso',
      sound: 'suono',
      table: 'tabella',
      text: 'testo',
      textFile: 'file di testo',
      webPage: 'pagina web',
    },
    named: (sign, kind) => `${kind} ${sign}`,
    byte: 'byte',
    bytes: 'byte',
    kilobytes: 'kB',
    megabytes: 'MB',
  },
};
