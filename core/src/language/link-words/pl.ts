import type { LinkWords } from './link-words.js';

export const pl: LinkWords = {
  vague:
    'tu tutaj tam kliknij klikni kliknąć klikając więcej dalej link linki odnośnik łącze strona stronie stronę strony witryna witrynę adres szczegóły szczegół czytaj czytać przeczytaj zobacz zobaczyć sprawdź odwiedź otwórz pobierz pobrać artykuł dokument plik pdf tekst źródło następna następny poprzednia poprzedni wstecz przejdź to ten ta tego dowiedz wejdź',
  filling:
    'w we na do z ze o i a po pod dla by aby proszę teraz naszej naszą tej tę tym tą ten się całość cały wszystkie jest można internetowa internetową internetowej oraz niniejszy niniejszej informacje informacja informacji info',
  phrases: ['i tak dalej', 'czytaj dalej', 'dowiedz się więcej', 'info'],
  picture:
    'obraz obrazek obrazy zdjęcie fotografia foto grafika ikona logo baner przycisk ilustracja rysunek zrzut miniatura',
  pictureOf: [
    'zdjęcie przedstawia',
    'zdjęcie przedstawiające',
    'obraz przedstawiający',
    'rysunek przedstawiający',
    'zdjęcie latarni',
    'fotografia przedstawia',
    'ilustracja przedstawiająca',
    'zrzut ekranu',
    'na zdjęciu',
  ],
  mail: 'e-mail email mail mailem e-mailem poczta napisz napisać pisz wiadomość',
  newWindow: ['nowe okno', 'nowym oknie', 'nowa karta', 'nowej karcie', 'nowa zakładka', 'nowej zakładce'],
  sources: [
    'źródła',
    'bibliografia',
    'literatura',
    'przypisy',
    'netografia',
    'odwołania',
    'literatura cytowana',
    'źródła ilustracji',
  ],
  page: ['strona #', 'stronie #', 'strony #', 's. #', 'str. #'],
};
