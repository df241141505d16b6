import type { LinkWords } from './link-words.js';

export const nl: LinkWords = {
  vague:
    'hier klik klikken klikt druk meer verder link links verwijzing pagina pagina’s webpagina site website adres details detail lees lezen zie bekijk bekijken bezoek bezoeken open openen download downloaden artikel document bestand pdf dit deze volgende vorige terug ga gaan naar begin vind vinden ontdek',
  filling:
    'de het een op voor om te aan in van en deze dit die dat onze uw je u nu alle alles over nog eens even gewoon aub alstublieft alsjeblieft volledige nadere hele door is kunt kan online via hierover informatie info',
  phrases: ['en zo verder', 'lees meer', 'enzovoort', 'tekst', 'de tekst', 'bron', 'de bron', 'info'],
  picture:
    'afbeelding afbeeldingen beeld foto plaatje tekening grafiek icoon pictogram logo banner knop illustratie figuur schermafbeelding miniatuur',
  pictureOf: [
    'afbeelding van',
    'een afbeelding',
    'foto van',
    'een foto',
    'plaatje van',
    'tekening van',
    'een tekening',
    'illustratie van',
    'schermafbeelding van',
    'de afbeelding toont',
  ],
  mail: 'e-mail e-mails email mail mailen schrijf schrijven bericht',
  newWindow: ['nieuw venster', 'nieuw tabblad', 'ander venster'],
  sources: [
    'bronnen',
    'bronvermelding',
    'bronnenlijst',
    'literatuur',
    'literatuurlijst',
    'bibliografie',
    'referenties',
    'verder lezen',
    'verantwoording van de afbeeldingen',
  ],
  page: ['pagina #', 'pagina’s #', 'blz. #', 'p. #', 'pp. #', 'bladzijde #'],
};
