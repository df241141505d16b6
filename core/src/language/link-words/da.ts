import type { LinkWords } from './link-words.js';

export const da: LinkWords = {
  vague:
    'her der klik klikke tryk mere videre link links linket henvisning side siden sider webside websted hjemmeside hjemmesiden adresse detaljer detalje læs læse se vis besøg åbn hent download artikel artiklen dokument dokumentet fil filen pdf tekst kilde dette denne det den næste forrige tilbage fortsæt gå',
  filling:
    'på i for at til om og en et den det de denne dette disse vores din jeres nu alle alt ned fra af venligst gerne hele du kan findes er via information informationer oplysninger info',
  phrases: ['og så videre', 'læs mere', 'info'],
  picture:
    'billede billeder billedet foto fotografi grafik ikon logo banner knap illustration figur tegning skærmbillede',
  pictureOf: [
    'billede af',
    'et billede',
    'foto af',
    'et foto',
    'tegning af',
    'en tegning',
    'illustration af',
    'billedet viser',
  ],
  mail: 'e-mail e-mails email mail mails skriv skrive besked',
  newWindow: ['nyt vindue', 'ny fane', 'nyt faneblad', 'andet vindue'],
  sources: [
    'kilder',
    'kildeliste',
    'referencer',
    'litteratur',
    'litteraturliste',
    'bibliografi',
    'videre læsning',
    'billedkilder',
  ],
  page: ['side #', 'siderne #', 's. #'],
};
