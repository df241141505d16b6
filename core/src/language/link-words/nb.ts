import type { LinkWords } from './link-words.js';

/** Norwegian, in both written forms. */
export const nb: LinkWords = {
  vague:
    'her der klikk klikke trykk mer meir videre vidare lenke lenken lenka link linken side siden sida sider nettside nettsiden nettsida nettsted nettstedet hjemmeside heimeside adresse detaljer detalj les lese se sjå vis besøk åpne opne last ned nedlasting artikkel artikkelen dokument dokumentet fil filen fila pdf tekst kilde kjelde dette denne det den neste forrige førre tilbake fortsett gå hent',
  filling:
    'på i for å til om og en ei et eit den det de denne dette disse vår våre din nå no alle alt ned fra frå av vennligst gjerne hele heile du kan finnes er via informasjon info',
  phrases: ['og så videre', 'les mer', 'les meir', 'info'],
  picture:
    'bilde bilder bildet bilete foto fotografi grafikk ikon logo banner knapp illustrasjon figur tegning skjermbilde',
  pictureOf: [
    'bilde av',
    'et bilde',
    'bilete av',
    'foto av',
    'et foto',
    'tegning av',
    'en tegning',
    'illustrasjon av',
    'bildet viser',
  ],
  mail: 'e-post epost e-postadresse mail send skriv skrive melding',
  newWindow: ['nytt vindu', 'nytt vindauge', 'ny fane', 'annet vindu'],
  sources: [
    'kilder',
    'kjelder',
    'kildeliste',
    'referanser',
    'litteratur',
    'litteraturliste',
    'bibliografi',
    'videre lesning',
    'bildekilder',
  ],
  page: ['side #', 'sidene #', 's. #'],
};
