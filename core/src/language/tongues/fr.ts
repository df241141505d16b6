import type { Phrases } from './tongue.js';

/** French. General vocabulary, written down without a source. */
export const fr: Phrases = {
  contents: 'Table des matières',
  addresses: 'Adresses',
  notes: 'Notes',
  note: 'note',
  figure: 'Figure',
  table: 'Tableau',
  item: 'point',
  part: 'Partie',
  chapter: 'Chapitre',
  page: 'page',
  above: 'ci-dessus',
  below: 'ci-dessous',
  back: 'Retour',
  backTo: 'Retour à',
  toTop: 'Au début',
  toContents: 'À la table des matières',
  toList: 'Retour à la liste',
  archivedCopy: 'copie archivée du',
  email: 'courriel',
  newWindow: 's’ouvre dans une nouvelle fenêtre',
  titlePage: 'Page de titre',
  startOfText: 'Début du texte',
  picture: 'Image',
  withBook: {
    title: 'Avec ce livre',
    otherBook: (author) =>
      `${author === '' ? 'Un livre.' : `Un livre de ${author}.`} Demandez à la personne qui a écrit ce livre où le trouver.`,
    apart: 'N’accompagne pas le livre : demandez-le à la personne qui l’a écrit.',
    beside: (path) => `Se trouve à côté de ce livre, sous ${path}.`,
    attached:
      'Est joint à ce document : ouvrez-le depuis la liste des pièces jointes de votre programme de lecture.',
    inside: (path) => `Se trouve dans ce livre, sous ${path}.`,
  },
  accessibility: {
    allDescribed:
      'Les titres, la table des matières et les liens se suivent dans l’ordre, et chaque image est décrite par des mots.',
    someNotDescribed:
      'Les titres, la table des matières et les liens se suivent dans l’ordre. Certaines images ne sont pas décrites par des mots.',
  },
  file: {
    kinds: {
      archive: 'archive',
      calendar: 'fichier de calendrier',
      data: 'données',
      eBook: 'livre numérique',
      file: 'fichier',
      film: 'film',
      font: 'police',
      picture: 'image',
      route: 'itinéraire',
      sound: 'son',
      table: 'tableau',
      text: 'texte',
      textFile: 'fichier texte',
      webPage: 'page web',
    },
    named: (sign, kind) => `${kind} ${sign}`,
    byte: 'octet',
    bytes: 'octets',
    kilobytes: 'ko',
    megabytes: 'Mo',
  },
};
