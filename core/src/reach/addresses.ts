import { decodeLoosely, withoutTracking } from '../destination/index.js';

/** Judgements on addresses alone. What they rest on is common practice, without a source. */

const FRONT_FILES = /^\/(?:(?:index|default|home|main|welcome|start|accueil|inicio)(?:\.[a-z0-9]{2,5})?)$/i;
const IN_LANGUAGE = /^\/([a-z]{2})(?:[-_](?:[a-z]{2}|[a-z]{4}|[a-z]{4}[-_][a-z]{2}|\d{3}))?\/?$/i;
/** ISO 639-1, written down from memory; and “uk”, “us” and the like, by which countries are meant, are no languages but front pages too. */
const LANGUAGES = new Set(
  'af am ar az be bg bn bs ca cs cy da de el en eo es et eu fa fi fr ga gd gl gu he hi hr hu hy id is it ja ka kk km kn ko ku ky la lb lo lt lv mk ml mn mr ms mt my nb ne nl nn no pa pl ps pt rm ro ru sd si sk sl so sq sr sv sw ta te tg th tk tl tr tt uk ur uz vi yi zh zu us gb at ch au nz br mx cn jp kr dk se ie'.split(
    ' ',
  ),
);
const isLanguage = (path: string): boolean => LANGUAGES.has(IN_LANGUAGE.exec(path)?.[1]?.toLowerCase() ?? '');

/** The front page of a site, in any language: `/`, `/index.html`, `/en/`, `/de/index.php`. */
export function isFrontPage(url: URL): boolean {
  const { pathname, search } = new URL(withoutTracking(url.href));
  if (search !== '') return false;
  if (pathname === '/' || FRONT_FILES.test(pathname) || isLanguage(pathname)) return true;
  const inLanguage = /^(\/[^/]+)(\/[^/]+)$/.exec(pathname);
  return inLanguage !== null && isLanguage(inLanguage[1]!) && FRONT_FILES.test(inLanguage[2]!);
}

const SIGN_IN_PART =
  /^(?:log-?in|log_in|sign-?in|sign_in|logon|sso|saml2?|oauth2?|authorize|auth|idp|shibboleth(?:\.sso)?|wayf|adfs|cas|anmelden|anmeldung|einloggen|connexion|se-connecter|iniciar-sesion|acceso|accedi|accesso|entrar|iniciar-sessao|inloggen|aanmelden|zaloguj|logowanie|logga-in|log-ind|logg-inn|kirjaudu|prihlaseni|prihlasit|vhod|wp-login|login[-_]?required|members?-login)(?:\.[a-z]{2,5})?$/i;
const SIGN_IN_HOST = /^(?:log-?in|sign-?in|logon|auth|sso|idp|saml|adfs|oauth|anmelden)\d*\./i;
const ACCOUNT_HOST = /^(?:accounts?|id|cas|identity|passport|connexion)\d*\./i;
const RETURNS =
  /^(?:return(?:_?(?:to|url|uri|path))?|redirect(?:_?(?:to|url|uri))?|continue|next|service|target|goto|back|dest(?:ination)?|relaystate|samlrequest|client_id|returnurl|from|ref|url|came_from|origin)$/i;
const CONSENT_PART =
  /^(?:consent|cookie-?(?:consent|wall|check|policy|notice)|gdpr|privacy-?(?:gate|wall|consent|settings)|einwilligung|zustimmung|consentement|consentimiento|consenso|cmp)(?:\.[a-z]{2,5})?$/i;
const CONSENT_HOST = /^(?:consent|cmp|privacy|cookies?|gdpr)\d*\./i;
const PAY_PART =
  /^(?:subscribe|subscription|subscriptions|paywall|abo|abonnement|abonnieren|abonnements|suscripcion|suscribete|abbonati|assine|prenumerata|premium-access|purchase|checkout)(?:\.[a-z]{2,5})?$/i;
const ERROR_PART =
  /^(?:(?:error|err|errors|fehler|erreur)?[-_]?(?:40[0-9]|410|50[0-9])(?:error)?|(?:page|file)?[-_]?not[-_]?found|error[-_]?(?:page|pages|document)?|errors|404page|fehler|fehlerseite|erreur|errore|page-introuvable|seite-nicht-gefunden|missing|oops|unavailable|gone|expired)(?:\.[a-z]{2,5})?$/i;
const JOIN_PART =
  /^(?:register|registration|sign-?up|join|password|reset-?password|account|my-?account|profile|admin|wp-admin)(?:\.[a-z]{2,5})?$/i;
const SESSION =
  /^(?:jsessionid|phpsessid|aspsessionid\w*|sid|sess(?:ion)?(?:_?id)?|s_id|token|access_token|auth_token|ticket|cftoken|cfid|osid|nonce|sessiontoken|x-amz-\w+|signature|expires|state|code)$/i;

const parts = ({ pathname }: URL): string[] => pathname.split(/[/;]/).filter(Boolean);

/** A page where readers sign in, alone or for another site (single sign-on). */
export function isSignIn(url: URL): boolean {
  const returns = [...url.searchParams.keys()].some((name) => RETURNS.test(name));
  if (url.searchParams.has('SAMLRequest')) return true;
  if (SIGN_IN_HOST.test(url.hostname) || (ACCOUNT_HOST.test(url.hostname) && returns)) return true;
  return parts(url).some((part) => SIGN_IN_PART.test(part));
}

/** A page that is meant for those who sign in or join; a link that leads there says so itself. */
export const isAboutAccounts = (url: URL): boolean =>
  isSignIn(url) || parts(url).some((part) => JOIN_PART.test(part));

export const isConsent = (url: URL): boolean =>
  CONSENT_HOST.test(url.hostname) || parts(url).some((part) => CONSENT_PART.test(part));

export const isForPay = (url: URL): boolean => parts(url).some((part) => PAY_PART.test(part));

/** A page that a site shows in place of one that is not there. */
export const isErrorPage = (url: URL): boolean =>
  parts(url).some((part) => ERROR_PART.test(part)) ||
  [...url.searchParams.keys()].some((name) => /^(?:error|err|notfound|404)$/i.test(name));

/** An address that is good for one visit: with a session, a token or a signature in it. */
export function isForOneVisit(url: URL): boolean {
  if (
    /;(?:jsessionid|phpsessid|sid)=/i.test(url.pathname) ||
    /\/\([a-z]\([a-z0-9]{16,}\)\)\//i.test(url.pathname)
  )
    return true;
  return [...url.searchParams.keys()].some((name) => SESSION.test(name));
}

/** A short name that stands for a longer address: one part of a few letters and digits that make no word. */
export const isShortened = ({ pathname }: URL): boolean =>
  /^\/(?=[^/]*\d)(?=[^/]*[A-Z])[A-Za-z0-9]{4,12}$/.test(pathname);

/** The host without what is put before it by habit. */
const bare = (hostname: string) => hostname.replace(/^www\d?\./, '').replace(/\.$/, '');

/** The same address but for letter case, a slash at its end or the language of a front page: no news. */
export function isNoNews(from: URL, to: URL): boolean {
  if (from.protocol !== to.protocol || from.host !== to.host) return false;
  if (isFrontPage(from) && isFrontPage(to)) return true;
  const shape = (url: URL) => `${decodeLoosely(url.pathname).toLowerCase().replace(/\/+$/, '')}${url.search}`;
  return shape(from) === shape(to);
}

/** The same address, by HTTPS instead of HTTP, with or without `www`. */
export const isSecured = (from: URL, to: URL): boolean =>
  from.protocol === 'http:' &&
  to.protocol === 'https:' &&
  bare(from.hostname) === bare(to.hostname) &&
  from.pathname === to.pathname &&
  from.search === to.search;

const EXTENSION = /\.([a-z0-9]{2,5})$/i;
/** What the name of a file says that it is; only of files that no server makes pages of. */
const FILE_TYPES: Readonly<Record<string, RegExp>> = {
  pdf: /pdf/,
  epub: /epub|zip/,
  zip: /zip|compressed/,
  docx: /word|officedocument|zip/,
  xlsx: /sheet|officedocument|zip/,
  odt: /opendocument|zip/,
  csv: /csv|plain|excel/,
  gpx: /gpx|xml|plain/,
  mp3: /audio|mpeg/,
  ogg: /ogg|audio|video/,
  wav: /audio|wav/,
  mp4: /video|audio|mp4/,
  webm: /webm|video|audio/,
  jpg: /image/,
  jpeg: /image/,
  png: /image/,
  gif: /image/,
  webp: /image/,
  tif: /image/,
};

/** The kind of file that an address names by its ending, with what its type has to be; `null` for pages and all else. */
export function fileNamed(url: URL): { extension: string; type: RegExp } | null {
  const name = url.pathname.slice(url.pathname.lastIndexOf('/') + 1);
  // A page about a file has a name space before the name: “File:Map.jpg”.
  if (decodeLoosely(name).includes(':') || /\/(?:blob|view|wiki|viewer)\//.test(url.pathname)) return null;
  const extension = EXTENSION.exec(name)?.[1]?.toLowerCase() ?? '';
  const type = FILE_TYPES[extension];
  return type ? { extension, type } : null;
}
