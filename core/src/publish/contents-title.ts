const TITLES: Record<string, string> = {
  de: 'Inhalt',
  en: 'Contents',
  es: 'Índice',
  fr: 'Table des matières',
  it: 'Indice',
  nl: 'Inhoud',
  pt: 'Índice',
};

/** What the contents are called in a language (a BCP 47 tag); English where it is not known. */
export function contentsTitle(language: string): string {
  return TITLES[language.split('-')[0].toLowerCase()] ?? TITLES.en;
}
