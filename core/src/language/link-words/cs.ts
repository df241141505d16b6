import type { LinkWords } from './link-words.js';

export const cs: LinkWords = {
  vague:
    'zde tady tu tam klikněte klikni kliknutím kliknout klepněte více víc dále další odkaz odkazu odkazy stránka stránce stránku stránky web webu webová webové adresa adrese podrobnosti podrobností detail detaily čtěte číst přečtěte viz zobrazit podívejte navštivte otevřít otevřete stáhnout stáhněte stažení článek článku dokument soubor pdf text zdroj následující předchozí zpět pokračovat pokračujte to toto tento tato přejděte přejít',
  filling:
    'na v ve do k ke o z ze s se a i pro prosím nyní teď náš naše naší této tuto tomto tento ten si je celý celé všechny můžete přes informace informací info',
  phrases: ['a tak dále', 'číst dál', 'zjistit více', 'info'],
  picture:
    'obrázek obraz obrázky foto fotografie fotka grafika ikona logo banner tlačítko ilustrace kresba snímek náhled',
  pictureOf: [
    'obrázek s',
    'fotografie s',
    'na fotografii',
    'na obrázku',
    'kresba s',
    'snímek obrazovky',
    'fotka s',
    'ilustrace s',
  ],
  mail: 'e-mail e-mailem email emailem mail mailem pošta napište napsat zpráva',
  newWindow: ['nové okno', 'novém okně', 'nová karta', 'nové kartě', 'nový panel', 'novém panelu'],
  sources: [
    'zdroje',
    'prameny',
    'literatura',
    'použitá literatura',
    'seznam literatury',
    'bibliografie',
    'odkazy na zdroje',
    'zdroje obrázků',
  ],
  page: ['strana #', 'straně #', 'strany #', 's. #', 'str. #'],
};
