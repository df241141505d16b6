import type { Phrases } from './tongue.js';

/** German. General vocabulary, written down without a source. */
export const de: Phrases = {
  contents: 'Inhalt',
  notes: 'Anmerkungen',
  note: 'Anmerkung',
  figure: 'Abbildung',
  table: 'Tabelle',
  part: 'Teil',
  chapter: 'Kapitel',
  page: 'Seite',
  above: 'weiter oben',
  below: 'weiter unten',
  back: 'Zurück',
  backTo: 'Zurück zu',
  toTop: 'Zum Anfang',
  toContents: 'Zum Inhalt',
  toList: 'Zurück zur Liste',
  archivedCopy: 'archivierte Kopie vom',
  email: 'E-Mail',
  newWindow: 'öffnet ein neues Fenster',
  titlePage: 'Titelseite',
  startOfText: 'Beginn des Textes',
  picture: 'Bild',
  withBook: {
    title: 'Zu diesem Buch',
    otherBook: (author) =>
      `${author === '' ? 'Ein Buch.' : `Ein Buch von ${author}.`} Fragen Sie die Autorin oder den Autor dieses Buchs, wo es zu haben ist.`,
    apart: 'Liegt dem Buch nicht bei: Fragen Sie die Autorin oder den Autor danach.',
    beside: (path) => `Liegt neben diesem Buch, als ${path}.`,
    attached: 'Ist diesem Dokument angehängt: Öffnen Sie es im Leseprogramm aus der Liste der Anhänge.',
    inside: (path) => `Liegt in diesem Buch, als ${path}.`,
  },
  accessibility: {
    allDescribed:
      'Überschriften, Inhalt und Links lassen sich der Reihe nach verfolgen, und jedes Bild ist in Worten beschrieben.',
    someNotDescribed:
      'Überschriften, Inhalt und Links lassen sich der Reihe nach verfolgen. Einige Bilder sind nicht in Worten beschrieben.',
  },
  file: {
    kinds: {
      archive: 'Archiv',
      calendar: 'Kalenderdatei',
      data: 'Daten',
      eBook: 'E-Book',
      file: 'Datei',
      film: 'Film',
      font: 'Schrift',
      picture: 'Bild',
      route: 'Route',
      sound: 'Ton',
      table: 'Tabelle',
      text: 'Text',
      textFile: 'Textdatei',
      webPage: 'Webseite',
    },
    named: (sign, kind) => `${sign}-${kind}`,
    byte: 'Byte',
    bytes: 'Byte',
    kilobytes: 'kB',
    megabytes: 'MB',
  },
};
