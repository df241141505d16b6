/** Mail domains that are near to one of those below and are none of their misspellings. */
export const OTHER_MAIL_DOMAINS: ReadonlySet<string> = new Set(['email.com', 'ymail.com', 'rocketmail.com']);

/** Misspellings that are too short to be found by closeness, and are nobody's own mail domain (common practice). */
export const SHORT_SLIPS: ReadonlyMap<string, string> = new Map([
  ['gmai.com', 'gmail.com'],
  ['gmal.com', 'gmail.com'],
  ['gmil.com', 'gmail.com'],
  ['yaho.com', 'yahoo.com'],
  ['yhoo.com', 'yahoo.com'],
]);

/**
 * Public mail domains that many people have addresses at (common practice): an address that differs from one of them in a letter is asked about. Names
 * of fewer than five letters are left out, since other names are too near to them.
 */
export const PUBLIC_MAIL_DOMAINS: readonly string[] = [
  'gmail.com',
  'googlemail.com',
  'outlook.com',
  'hotmail.com',
  'hotmail.co.uk',
  'hotmail.fr',
  'live.com',
  'yahoo.com',
  'yahoo.co.uk',
  'yahoo.fr',
  'yahoo.de',
  'icloud.com',
  'proton.me',
  'protonmail.com',
  'fastmail.com',
  'posteo.de',
  'mailbox.org',
  'web.de',
  't-online.de',
  'freenet.de',
  'orange.fr',
  'laposte.net',
  'libero.it',
  'yandex.ru',
  'comcast.net',
  'verizon.net',
  'btinternet.com',
  'seznam.cz',
  'centrum.cz',
  'interia.pl',
  'bluewin.ch',
  'telenet.be',
  'skynet.be',
  'ziggo.nl',
  'planet.nl',
];
