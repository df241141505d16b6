/** What a style of paragraphs or words is for. */
export type StyleUse =
  | { heading: number }
  | 'title'
  | 'subtitle'
  | 'author'
  | 'quote'
  | 'code'
  | 'caption'
  | 'credit'
  | 'term'
  | 'meaning'
  | 'link';

/** Words for a heading in names of styles, in the languages of word processors; general vocabulary, written down without a source. */
const HEADING =
  /^(?:heading|header|überschrift|ueberschrift|titre|titolo|título|titulo|encabezado|kop|koptekst|rubrik|overskrift|otsikko|nagłówek|naglowek|nadpis|címsor|cimsor|başlık|titlu|naslov|заголовок|заглавие|επικεφαλίδα|nadpis|antraštė|virsraksts|pealkiri|标题|標題|見出し|제목|כותרת|عنوان)\s*_?(\d)$/i;

const NAMES: readonly [RegExp, StyleUse][] = [
  [
    /^(?:title|titel|titre|título|titulo|titolo|tytuł|otsikko|název|cím|заголовок|标题|標題|表題|제목)$/i,
    'title',
  ],
  [
    /^(?:subtitle|untertitel|sous-titre|subtítulo|subtitulo|sottotitolo|ondertitel|underrubrik|undertitel|alaotsikko|podtytuł|подзаголовок|副标题)$/i,
    'subtitle',
  ],
  [/^(?:author|autor|auteur|autore|verfasser)$/i, 'author'],
  [
    /^(?:(?:intense )?quot(?:e|ations?)|block ?(?:text|quotation|quote)|(?:intensives )?zitat|citation(?: intense)?|cita(?: destacada)?|citazione(?: intensa)?|(?:duidelijk )?citaat|citação(?: intensa)?|citat|lainaus|cytat|цитата|引用|引用文)$/i,
    'quote',
  ],
  [
    /^(?:source code|code|preformatted(?: text)?|html preformatted|html vorformatiert|vorformatierter text|verbatim(?: char)?|html (?:code|keyboard|sample|typewriter|variable)|macro(?: text)?|plain text code|listing|source text|teletype|quelltext|texte préformaté|texto preformatado|testo preformattato)$/i,
    'code',
  ],
  [
    /^(?:caption|beschriftung|légende|legende|leyenda|epígrafe|didascalia|legenda|bijschrift|bildtext|billedtekst|kuvaotsikko|podpis|титул|название объекта|题注|図表番号|image caption|table caption)$/i,
    'caption',
  ],
  [/^(?:credit|picture credit|bildnachweis|crédit|créditos|crediti)$/i, 'credit'],
  [/^definition term$/i, 'term'],
  [/^definition$/i, 'meaning'],
  [
    /^(?:followed ?hyperlink|hyperlink|internet link|visited internet link|besuchter hyperlink|lien hypertexte|hipervínculo|collegamento ipertestuale)$/i,
    'link',
  ],
];

/** What a style is for, by its name in any of the usual languages; `null` where the name does not say. */
export function useOfStyle(name: string): StyleUse | null {
  const level = Number(HEADING.exec(name.trim())?.[1] ?? 0);
  if (level >= 1) return { heading: Math.min(6, level) };
  return NAMES.find(([pattern]) => pattern.test(name.trim()))?.[1] ?? null;
}
