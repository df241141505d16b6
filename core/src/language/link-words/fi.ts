import type { LinkWords } from './link-words.js';

export const fi: LinkWords = {
  vague:
    'tästä tässä täältä täällä tänne tähän sieltä klikkaa napsauta paina lisää lue lukea linkki linkistä linkin linkit sivu sivun sivulle sivulla sivulta sivusto sivustolle sivustolla verkkosivu verkkosivulla verkkosivulle osoite osoitteessa lisätietoa lisätietoja lisätiedot yksityiskohdat katso näytä käy avaa lataa artikkeli dokumentti asiakirja tiedosto pdf teksti lähde tämä tämän seuraava edellinen takaisin jatka siirry',
  filling:
    'ja tai on se sen nyt kaikki koko tämän tämä tätä tällä meidän ole hyvä olkaa että voit saat kohdasta tiedoston asiasta aiheesta tieto tietoa info',
  phrases: ['ja niin edelleen', 'lue lisää', 'jatka lukemista', 'info'],
  picture:
    'kuva kuvat kuvan valokuva piirros grafiikka kuvake ikoni logo banneri painike kuvitus kuvio kuvakaappaus',
  pictureOf: ['kuva jossa', 'kuvassa', 'valokuvassa', 'piirros jossa', 'valokuva jossa', 'kuvakaappaus'],
  mail: 'sähköposti sähköpostia sähköpostilla sähköpostitse sähköpostiosoite email e-mail meili kirjoita viesti',
  newWindow: [
    'uusi ikkuna',
    'uuteen ikkunaan',
    'uudessa ikkunassa',
    'uusi välilehti',
    'uuteen välilehteen',
    'uudessa välilehdessä',
  ],
  sources: [
    'lähteet',
    'lähdeluettelo',
    'viitteet',
    'kirjallisuus',
    'kirjallisuutta',
    'bibliografia',
    'lisälukemista',
    'kuvalähteet',
  ],
  page: ['sivu #', 'sivulla #', 'sivut #', 's. #'],
};
