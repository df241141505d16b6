import type { Phrases } from './tongue.js';

/** Dutch. General vocabulary, written down without a source. */
export const nl: Phrases = {
  contents: 'Inhoud',
  notes: 'Noten',
  note: 'noot',
  figure: 'Figuur',
  table: 'Tabel',
  part: 'Deel',
  chapter: 'Hoofdstuk',
  page: 'pagina',
  above: 'hierboven',
  below: 'hieronder',
  back: 'Terug',
  backTo: 'Terug naar',
  toTop: 'Naar het begin',
  toContents: 'Naar de inhoud',
  toList: 'Terug naar de lijst',
  archivedCopy: 'gearchiveerde kopie van',
  email: 'e-mail',
  newWindow: 'opent een nieuw venster',
  titlePage: 'Titelpagina',
  startOfText: 'Begin van de tekst',
  picture: 'Afbeelding',
  withBook: {
    title: 'Bij dit boek',
    otherBook: (author) =>
      `${author === '' ? 'Een boek.' : `Een boek van ${author}.`} Vraag wie dit boek schreef waar het te krijgen is.`,
    apart: 'Zit niet bij het boek: vraag ernaar bij wie het schreef.',
    beside: (path) => `Ligt naast dit boek, als ${path}.`,
    attached: 'Is bij dit document gevoegd: open het uit de lijst met bijlagen van uw leesprogramma.',
    inside: (path) => `Zit in dit boek, als ${path}.`,
  },
  accessibility: {
    allDescribed:
      'Koppen, inhoud en links zijn op volgorde te volgen, en elke afbeelding is in woorden beschreven.',
    someNotDescribed:
      'Koppen, inhoud en links zijn op volgorde te volgen. Sommige afbeeldingen zijn niet in woorden beschreven.',
  },
  file: {
    kinds: {
      archive: 'archief',
      calendar: 'agendabestand',
      data: 'gegevens',
      eBook: 'e-boek',
      file: 'bestand',
      film: 'film',
      font: 'lettertype',
      picture: 'afbeelding',
      route: 'route',
      sound: 'geluid',
      table: 'tabel',
      text: 'tekst',
      textFile: 'tekstbestand',
      webPage: 'webpagina',
    },
    named: (sign, kind) => `${sign}-${kind}`,
    byte: 'byte',
    bytes: 'bytes',
    kilobytes: 'kB',
    megabytes: 'MB',
  },
};
