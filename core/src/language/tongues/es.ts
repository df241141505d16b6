import type { Phrases } from './tongue.js';

/** Spanish. General vocabulary, written down without a source. */
export const es: Phrases = {
  contents: 'Índice',
  notes: 'Notas',
  note: 'nota',
  figure: 'Figura',
  table: 'Tabla',
  part: 'Parte',
  chapter: 'Capítulo',
  page: 'página',
  above: 'más arriba',
  below: 'más abajo',
  back: 'Volver',
  backTo: 'Volver a',
  toTop: 'Al principio',
  toContents: 'Al índice',
  toList: 'Volver a la lista',
  archivedCopy: 'copia archivada del',
  email: 'correo electrónico',
  newWindow: 'se abre en una ventana nueva',
  titlePage: 'Portada',
  startOfText: 'Comienzo del texto',
  picture: 'Imagen',
  withBook: {
    title: 'Con este libro',
    otherBook: (author) =>
      `${author === '' ? 'Un libro.' : `Un libro de ${author}.`} Pregunte a quien escribió este libro dónde se consigue.`,
    apart: 'No viene con el libro: pídalo a quien lo escribió.',
    beside: (path) => `Está junto a este libro, como ${path}.`,
    attached: 'Está adjunto a este documento: ábralo desde la lista de adjuntos de su programa de lectura.',
    inside: (path) => `Está dentro de este libro, como ${path}.`,
  },
  accessibility: {
    allDescribed:
      'Los títulos, el índice y los enlaces se pueden seguir en orden, y cada imagen está descrita con palabras.',
    someNotDescribed:
      'Los títulos, el índice y los enlaces se pueden seguir en orden. Algunas imágenes no están descritas con palabras.',
  },
  file: {
    kinds: {
      archive: 'archivo comprimido',
      calendar: 'archivo de calendario',
      data: 'datos',
      eBook: 'libro electrónico',
      file: 'archivo',
      film: 'vídeo',
      font: 'tipo de letra',
      picture: 'imagen',
      route: 'ruta',
      sound: 'sonido',
      table: 'tabla',
      text: 'texto',
      textFile: 'archivo de texto',
      webPage: 'página web',
    },
    named: (sign, kind) => `${kind} ${sign}`,
    byte: 'byte',
    bytes: 'bytes',
    kilobytes: 'kB',
    megabytes: 'MB',
  },
};
