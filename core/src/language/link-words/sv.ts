import type { LinkWords } from './link-words.js';

export const sv: LinkWords = {
  vague:
    'här där klicka klick tryck mer vidare länk länken länkar sida sidan sidor webbsida webbsidan webbplats webbplatsen hemsida hemsidan adress detaljer detalj läs läsa se visa besök öppna ladda ladda ner nedladdning artikel artikeln dokument dokumentet fil filen pdf text källa detta denna den här det nästa föregående tillbaka fortsätt gå hämta',
  filling:
    'på i för att till om och en ett den det de denna detta dessa vår våra din er nu alla allt ner från av vänligen gärna hela du kan finns är mera via information info',
  phrases: ['och så vidare', 'läs mer', 'mer om detta', 'info'],
  picture:
    'bild bilder bilden foto fotografi grafik ikon logga logotyp banner knapp illustration figur teckning skärmbild',
  pictureOf: [
    'bild av',
    'bild på',
    'en bild',
    'foto av',
    'foto på',
    'ett foto',
    'teckning av',
    'en teckning',
    'illustration av',
    'bilden visar',
  ],
  mail: 'e-post e-posta epost mejl mejla mail maila skriv skriva meddelande',
  newWindow: ['nytt fönster', 'ny flik', 'annat fönster'],
  sources: [
    'källor',
    'källförteckning',
    'referenser',
    'litteratur',
    'litteraturförteckning',
    'bibliografi',
    'vidare läsning',
    'bildkällor',
  ],
  page: ['sida #', 'sidan #', 'sidorna #', 's. #', 'sid. #'],
};
