/** The few words that Vennet itself puts into a book, in the book's language. */
export interface Phrases {
  contents: string;
  notes: string;
  note: string;
  figure: string;
  table: string;
  part: string;
  page: string;
  above: string;
  below: string;
  /** The way back from a note. */
  back: string;
  backTo: string;
  toTop: string;
  toContents: string;
  toList: string;
  titlePage: string;
  startOfText: string;
}

/** General vocabulary, written down without a source. */
const PHRASES: Record<string, Phrases> = {
  de: {
    ...{ contents: 'Inhalt', notes: 'Anmerkungen', note: 'Anmerkung', figure: 'Abbildung', table: 'Tabelle' },
    ...{ part: 'Teil', page: 'Seite', above: 'weiter oben', below: 'weiter unten', back: 'Zurück' },
    ...{ backTo: 'Zurück zu', toTop: 'Zum Anfang', toContents: 'Zum Inhalt', toList: 'Zurück zur Liste' },
    ...{ titlePage: 'Titelseite', startOfText: 'Beginn des Textes' },
  },
  en: {
    ...{ contents: 'Contents', notes: 'Notes', note: 'note', figure: 'Figure', table: 'Table', part: 'Part' },
    ...{ page: 'page', above: 'above', below: 'below', back: 'Back', backTo: 'Back to', toTop: 'To the top' },
    ...{ toContents: 'To the contents', toList: 'Back to the list', titlePage: 'Title page' },
    ...{ startOfText: 'Start of the text' },
  },
  es: {
    ...{ contents: 'Índice', notes: 'Notas', note: 'nota', figure: 'Figura', table: 'Tabla', part: 'Parte' },
    ...{ page: 'página', above: 'más arriba', below: 'más abajo', back: 'Volver', backTo: 'Volver a' },
    ...{ toTop: 'Al principio', toContents: 'Al índice', toList: 'Volver a la lista', titlePage: 'Portada' },
    ...{ startOfText: 'Comienzo del texto' },
  },
  fr: {
    ...{ contents: 'Table des matières', notes: 'Notes', note: 'note', figure: 'Figure', table: 'Tableau' },
    ...{ part: 'Partie', page: 'page', above: 'ci-dessus', below: 'ci-dessous', back: 'Retour' },
    ...{ backTo: 'Retour à', toTop: 'Au début', toContents: 'À la table des matières' },
    ...{ toList: 'Retour à la liste', titlePage: 'Page de titre', startOfText: 'Début du texte' },
  },
  it: {
    ...{ contents: 'Indice', notes: 'Note', note: 'nota', figure: 'Figura', table: 'Tabella', part: 'Parte' },
    ...{ page: 'pagina', above: 'sopra', below: 'sotto', back: 'Indietro', backTo: 'Torna a' },
    ...{ toTop: 'All’inizio', toContents: 'All’indice', toList: 'Torna all’elenco' },
    ...{ titlePage: 'Frontespizio', startOfText: 'Inizio del testo' },
  },
  nl: {
    ...{ contents: 'Inhoud', notes: 'Noten', note: 'noot', figure: 'Figuur', table: 'Tabel', part: 'Deel' },
    ...{ page: 'pagina', above: 'hierboven', below: 'hieronder', back: 'Terug', backTo: 'Terug naar' },
    ...{ toTop: 'Naar het begin', toContents: 'Naar de inhoud', toList: 'Terug naar de lijst' },
    ...{ titlePage: 'Titelpagina', startOfText: 'Begin van de tekst' },
  },
  pt: {
    ...{ contents: 'Índice', notes: 'Notas', note: 'nota', figure: 'Figura', table: 'Tabela', part: 'Parte' },
    ...{ page: 'página', above: 'acima', below: 'abaixo', back: 'Voltar', backTo: 'Voltar a' },
    ...{ toTop: 'Ao início', toContents: 'Ao índice', toList: 'Voltar à lista', titlePage: 'Folha de rosto' },
    ...{ startOfText: 'Início do texto' },
  },
};

/** The words of a language (a BCP 47 tag); English where it is not known. */
export function phrases(language: string): Phrases {
  return PHRASES[language.split('-')[0].toLowerCase()] ?? PHRASES.en;
}
