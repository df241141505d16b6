import { primaryOf } from './tag.js';

/** How authors write by hand what leads through a book; general vocabulary, written down without a source. */
export interface NavigationWords {
  /** What stands before the number of a section. */
  section: string;
  figure: string;
  table: string;
  page: string;
  /** Words of a link back, to the contents and to the top. */
  toContents: RegExp;
  toTop: RegExp;
  /** Words of any link back. */
  back: RegExp;
  /** The heading of notes that are gathered at an end: the whole line. */
  notes: RegExp;
}

const WORDS: Readonly<Record<string, NavigationWords>> = {
  en: {
    section: 'sections?|chapters?|paragraphs?|parts?|appendix|clauses?',
    figure: 'figures?|fig\\.',
    table: 'tables?',
    page: 'pages?|pp?\\.',
    toContents: /\b(?:table of contents|contents|index|overview|list)\b/i,
    toTop: /\b(?:top|start|beginning)\b/i,
    back: /\b(?:back|return|up)\b/i,
    notes: /^(?:end|foot)?notes(?: to .+)?$/i,
  },
  de: {
    section: 'abschnitte?s?|kapitels?|absatz|teil|anhang|ziffer',
    figure: 'abbildung(?:en)?|abb\\.',
    table: 'tabellen?|tab\\.',
    page: 'seiten?|s\\.',
    toContents: /\b(?:inhalt\w*|inhaltsverzeichnis|übersicht)\b/i,
    toTop: /\b(?:anfang|oben|seitenanfang)\b/i,
    back: /\b(?:zurück|nach oben|hoch)\b/i,
    notes: /^(?:anmerkungen|endnoten|fußnoten)(?: zu .+)?$/i,
  },
  fr: {
    section: 'sections?|chapitres?|paragraphes?|partie|annexe',
    figure: 'figures?|fig\\.',
    table: 'tableaux?',
    page: 'pages?|p\\.',
    toContents: /\b(?:sommaire|table des matières|contenu)\b/i,
    toTop: /\b(?:haut|début)\b/i,
    back: /\b(?:retour|revenir|remonter)\b/i,
    notes: /^notes(?: de .+)?$/i,
  },
  es: {
    section: 'secci[oó]n(?:es)?|cap[ií]tulos?|apartados?|p[aá]rrafos?|parte|anexo',
    figure: 'figuras?|fig\\.',
    table: 'tablas?',
    page: 'p[aá]ginas?|p[aá]g\\.',
    toContents: /(?:índice|indice|contenidos?)/i,
    toTop: /\b(?:arriba|inicio|principio)\b/i,
    back: /\b(?:volver|regresar|atrás)/i,
    notes: /^notas(?: .+)?$/i,
  },
  it: {
    section: 'sezion[ei]|capitol[oi]|paragraf[oi]|parte|appendice',
    figure: 'figur[ae]|fig\\.',
    table: 'tabell[ae]|tab\\.',
    page: 'pagin[ae]|p\\.|pag\\.',
    toContents: /\b(?:indice|sommario)\b/i,
    toTop: /\b(?:inizio|su|alto)\b/i,
    back: /\b(?:torna|ritorna|indietro)\b/i,
    notes: /^note(?: .+)?$/i,
  },
  nl: {
    section: 'secties?|hoofdstuk(?:ken)?|paragra(?:af|fen)|deel|bijlage',
    figure: 'figu(?:ur|ren)|fig\\.',
    table: 'tabel(?:len)?',
    page: "pagina(?:'s)?|p\\.|blz\\.",
    toContents: /\b(?:inhoud\w*|inhoudsopgave|overzicht)\b/i,
    toTop: /\b(?:boven|begin)\b/i,
    back: /\b(?:terug|naar boven)\b/i,
    notes: /^(?:eind|voet)?noten(?: bij .+)?$/i,
  },
  pt: {
    section: 'se[cç](?:ç[aã]o|ções|cao)|cap[ií]tulos?|par[aá]grafos?|parte|anexo',
    figure: 'figuras?|fig\\.',
    table: 'tabelas?|quadros?',
    page: 'p[aá]ginas?|p\\.|p[aá]g\\.',
    toContents: /(?:índice|sumário|conteúdo)/i,
    toTop: /\b(?:topo|início)/i,
    back: /\b(?:voltar|regressar)\b/i,
    notes: /^notas(?: .+)?$/i,
  },
};

/** The words of a language (a BCP 47 tag); English where it is not known. */
export const navigationWords = (language: string): NavigationWords =>
  WORDS[primaryOf(language)] ?? (WORDS.en as NavigationWords);
