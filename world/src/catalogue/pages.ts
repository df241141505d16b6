import { html, made, status } from '../site.js';
import { smallPdf } from '../small-pdf.js';
import { article, behaviour, document, note, paragraphs, TEXT, type Behaviour } from './behaviour.js';

/** How pages say in 17 languages that they are not there. */
const NOT_THERE: readonly [string, string, string][] = [
  ['en', 'Page not found', 'Sorry, the page you are looking for is not here.'],
  ['de', 'Seite nicht gefunden', 'Die gesuchte Seite gibt es nicht.'],
  ['fr', 'Page introuvable', 'La page que vous cherchez n’est pas là.'],
  ['es', 'Página no encontrada', 'La página que busca no está.'],
  ['it', 'Pagina non trovata', 'La pagina richiesta non c’è.'],
  ['pt', 'Página não encontrada', 'A página que procura não está aqui.'],
  ['nl', 'Pagina niet gevonden', 'De pagina is er niet.'],
  ['pl', 'Nie znaleziono strony', 'Nie ma jej tutaj.'],
  ['sv', 'Sidan hittades inte', 'Den är inte här.'],
  ['da', 'Siden blev ikke fundet', 'Den er her ikke.'],
  ['no', 'Siden ble ikke funnet', 'Den er ikke her.'],
  ['fi', 'Sivua ei löytynyt', 'Se ei ole täällä.'],
  ['cs', 'Stránka nenalezena', 'Není tady.'],
  ['ru', 'Страница не найдена', 'Её здесь нет.'],
  ['uk', 'Сторінку не знайдено', 'Її тут немає.'],
  ['ja', 'ページが見つかりません', 'ここにはありません。'],
  ['zh', '页面不存在', '这里没有。'],
];

const HEADER_SIGN_IN =
  '<header><form><input name="u"><input type="password"><button>Sign in</button></form></header>';
const APPLICATION = html(document('Lamps', '<div id="root"></div><script src="/app.js"></script>'));
const named = (title: string, h1: string, text: string) =>
  html(document(title, `<nav><a href="/">Home</a></nav><h1>${h1}</h1><p>${text}</p>`));
const spot = (id: string, more: string) => ({ href: `https://${id}.example/page${more}` });
const withSpots = html(
  document(
    'The lamp',
    `<h1>The lamp</h1>${paragraphs(...TEXT)}<h2 id="wick">Wick</h2><a name="oil"></a><p>Oil</p><h2 id="käse">Käse</h2><h2 id="a b">A b</h2><p id="100%">All</p><!-- <p id="hidden"> --><template><p id="mould"></p></template>`,
  ),
);

/** Pages that are there and are not what was meant, and those that only look so. */
export const PAGES: readonly Behaviour[] = [
  ...NOT_THERE.map(([lang, title, text]) =>
    behaviour(
      `soft-404-${lang}`,
      'doubtful',
      `a page that says in “${lang}” that it is not there`,
      note(title, text, lang),
    ),
  ),
  behaviour(
    'soft-404-number',
    'doubtful',
    'only the number in the title',
    named('404', 'Oh no', 'Nothing here.'),
  ),
  behaviour(
    'soft-404-error',
    'doubtful',
    'the number and a site in the title',
    named('Error 404 | Lamp Trust', 'Whoops', 'Try the search.'),
  ),
  behaviour(
    'soft-404-text',
    'doubtful',
    'only a short text says it',
    named('Lamp Trust', 'Hello', 'The page you requested could not be found. It may have been moved.'),
  ),
  behaviour(
    'soft-404-heading',
    'doubtful',
    'only the heading says it',
    named('Lamp Trust', 'This page doesn’t exist', 'Go home.'),
  ),
  behaviour(
    'soft-404-menu',
    'doubtful',
    'a page that is not there, with a large menu',
    html(
      document(
        'Not found – Lamp Trust',
        `<nav>${paragraphs(...TEXT)}</nav><main><h1>Not found</h1></main><footer>${paragraphs(...TEXT)}</footer>`,
      ),
    ),
  ),
  behaviour(
    'soft-500',
    'doubtful',
    'a fault with status 200',
    named('Internal Server Error', 'Internal Server Error', 'Please try again.'),
  ),
  behaviour(
    'soft-404-instead',
    'doubtful',
    'a page that is not there, with something to read instead',
    html(
      document('Page not found | Lamp Trust', `<main><h1>Page not found</h1>${paragraphs(...TEXT)}</main>`),
    ),
  ),
  behaviour(
    'soft-404-bare',
    'doubtful',
    'only a few words say it, without a heading',
    html(document('Lamp Trust', '<div>404</div><div>Page not found</div><a href="/">Home</a>')),
  ),
  behaviour(
    'soft-404-plain',
    'doubtful',
    'a plain text that says it',
    made(200, { 'content-type': 'text/plain' }, '404 page not found'),
  ),
  behaviour(
    'maintenance',
    'doubtful',
    'a site that is being worked on, with status 200',
    note('Down for maintenance', 'We will be back soon.'),
  ),
  behaviour(
    'about-404',
    'sound',
    'an article about error 404',
    article('Page not found: the story of error 404'),
  ),
  behaviour(
    'about-404-short',
    'sound',
    'a short article about error 404',
    note(
      'What error 404 means',
      'A server answers with 404 when it has nothing at an address. The number comes from the lists of the standard.',
    ),
  ),
  behaviour(
    'room-404',
    'sound',
    'room 404 of a hotel',
    note('Room 404', 'A quiet room with a view of the lamp. Two beds, one window.'),
  ),
  behaviour(
    'birds',
    'sound',
    'a short page about birds that were not found',
    note('Birds not found on the island', 'The owl, the rail, the nightjar.'),
  ),
  behaviour(
    'how-it-works',
    'sound',
    'a short page about how something works',
    note('How it works', 'Oil rises in the wick, and the flame stands in the lens.'),
  ),
  behaviour(
    'members-dinner',
    'sound',
    'a short page about a dinner for members only',
    note('Dinner in May', 'On the third, at eight, members only. Bring a lamp.'),
  ),
  behaviour(
    'check-of-boots',
    'sound',
    'a page about the security check of a harbour',
    article('Security check at the harbour'),
  ),
  behaviour(
    'members-page',
    'guarded',
    'a page that is named for members only',
    note('For members only', 'The drawings of the towers.'),
  ),
  behaviour(
    'lost-and-found',
    'sound',
    'a page about things that were not found',
    note('Lost and found', 'Three gloves were not claimed last month. Ask at the window.'),
  ),
  behaviour('same-for-all', 'doubtful', 'the same page for every address', article('Lamps of the sound'), {
    missing: article('Lamps of the sound'),
  }),
  behaviour(
    'same-short',
    'doubtful',
    'the same short page for every address',
    note('Lamps', 'Our site is new.'),
    { missing: note('Lamps', 'Our site is new.') },
  ),
  behaviour(
    'other-for-all',
    'sound',
    'a page of its own, where other addresses get a page too',
    article('The lamp'),
    { missing: note('Nothing', 'Not a page of ours.') },
  ),
  behaviour(
    'all-to-one',
    'doubtful',
    'every address is sent on to one page',
    { '/page': made(302, { location: '/news' }), '/news': article('News') },
    { missing: made(302, { location: '/news' }) },
  ),
  behaviour(
    'for-sale',
    'doubtful',
    'a domain for sale',
    note('lamp.example', 'This domain is for sale. Make an offer.'),
  ),
  behaviour(
    'for-sale-de',
    'doubtful',
    'a domain for sale, in German',
    note('lamp.example', 'Diese Domain steht zum Verkauf.', 'de'),
  ),
  behaviour(
    'parked',
    'doubtful',
    'a parked domain',
    note('Welcome', 'This domain is parked free, courtesy of its registrar.'),
  ),
  behaviour(
    'about-domains',
    'sound',
    'an article about domains for sale',
    article('How to find out whether a domain is for sale'),
  ),
  behaviour(
    'suspended',
    'doubtful',
    'a suspended account',
    note('Account Suspended', 'Contact your hosting provider.'),
  ),
  behaviour(
    'default-server',
    'doubtful',
    'the default page of a server',
    note('Welcome to nginx!', 'If you see this page, the web server is successfully installed.'),
  ),
  behaviour(
    'default-works',
    'doubtful',
    'another default page',
    html('<html><body><h1>It works!</h1></body></html>'),
  ),
  behaviour(
    'default-long',
    'doubtful',
    'a default page with a long text',
    html(document('Apache2 Ubuntu Default Page: It works', `<h1>It works!</h1>${paragraphs(...TEXT)}`)),
  ),
  behaviour(
    'about-servers',
    'sound',
    'an article about installing a server',
    article('Welcome to nginx! What the default page tells'),
  ),
  behaviour(
    'sign-in-page',
    'guarded',
    'a form for signing in with status 200',
    note('Members', '<form><input name="u"><input type="password"></form>'),
  ),
  behaviour(
    'sign-in-words',
    'guarded',
    'words that ask to sign in',
    note('The lamp', 'Please sign in to view this page.'),
  ),
  behaviour(
    'sign-in-handed',
    'guarded',
    'a form that hands the reader over to single sign-on',
    html(
      document(
        'One moment',
        '<form method="post" action="https://idp.example/sso"><input type="hidden" name="SAMLRequest" value="x"></form><script>document.forms[0].submit()</script>',
      ),
    ),
  ),
  behaviour(
    'sign-in-box',
    'sound',
    'an article with a box for signing in',
    html(document('The lamp', `${HEADER_SIGN_IN}<main><h1>The lamp</h1>${paragraphs(...TEXT)}</main>`)),
  ),
  behaviour(
    'sign-in-meant',
    'sound',
    'a link that is meant for signing in',
    { '/login': note('Sign in', '<form><input type="password"></form>') },
    { href: 'https://sign-in-meant.example/login' },
  ),
  behaviour(
    'paywall-data',
    'guarded',
    'says of itself that it is not for free',
    article(
      'The lamp',
      '<script type="application/ld+json">{"@type":"NewsArticle","isAccessibleForFree":"False"}</script>',
    ),
  ),
  behaviour(
    'paywall-words',
    'guarded',
    'the beginning of an article and a door',
    note('The lamp', 'The lamp was lit in spring. Subscribe to continue reading.'),
  ),
  behaviour(
    'free-data',
    'sound',
    'says of itself that it is for free',
    article('The lamp', '<script type="application/ld+json">{"isAccessibleForFree":true}</script>'),
  ),
  behaviour(
    'consent-page',
    'guarded',
    'a wall of consent with status 200',
    note('Before you continue', 'We and our partners use cookies.'),
  ),
  behaviour(
    'consent-banner',
    'sound',
    'an article with a banner about cookies',
    article('The lamp', '<div role="dialog"><h2>We value your privacy</h2><button>Accept</button></div>'),
  ),
  behaviour(
    'door-403',
    'guarded',
    'a challenge with 403',
    html(document('Just a moment...', '<h1>Checking your browser</h1><div id="challenge-form"></div>'), 403),
    { says: /programs out/ },
  ),
  behaviour(
    'door-503',
    'guarded',
    'a challenge with 503',
    html(document('Just a moment...', '<h1>Checking your browser before you go on</h1>'), 503),
  ),
  behaviour(
    'door-429',
    'guarded',
    'a challenge with 429',
    html(document('Are you a robot?', '<p>We saw unusual traffic.</p>'), 429),
  ),
  behaviour(
    'door-400',
    'guarded',
    'a challenge with 400',
    html(document('Request blocked', '<p>Please enable cookies and solve the CAPTCHA.</p>'), 400),
  ),
  behaviour(
    'door-200',
    'guarded',
    'a challenge with 200',
    html(document('Security check', '<h1>Verify you are human</h1><div class="h-captcha"></div>')),
  ),
  behaviour(
    'door-header',
    'guarded',
    'a challenge told in a header',
    html(document('Lamps', ''), 403, { 'cf-mitigated': 'challenge' }),
  ),
  behaviour(
    'captcha-comment',
    'sound',
    'an article with a riddle at its comments',
    article('The lamp', '<div class="g-captcha"></div>'),
  ),
  behaviour(
    'about-robots',
    'sound',
    'an article about robots',
    article('Are you a robot? A history of the question'),
  ),
  behaviour('application', 'sound', 'an application at an address that only it has', APPLICATION),
  behaviour(
    'application-for-all',
    'doubtful',
    'an application that is given for every address',
    APPLICATION,
    { missing: APPLICATION },
  ),
  behaviour('spot-id', 'sound', 'a fragment that is an id', withSpots, spot('spot-id', '#wick')),
  behaviour(
    'spot-name',
    'sound',
    'a fragment that is the name of an anchor',
    withSpots,
    spot('spot-name', '#oil'),
  ),
  behaviour(
    'spot-encoded',
    'sound',
    'a percent-encoded fragment',
    withSpots,
    spot('spot-encoded', '#k%C3%A4se'),
  ),
  behaviour('spot-space', 'sound', 'a fragment with a space', withSpots, spot('spot-space', '#a%20b')),
  behaviour(
    'spot-percent',
    'sound',
    'a fragment with a bare percent sign',
    withSpots,
    spot('spot-percent', '#100%'),
  ),
  behaviour('spot-top', 'sound', '#top', withSpots, spot('spot-top', '#top')),
  behaviour('spot-empty', 'sound', 'an empty fragment', withSpots, spot('spot-empty', '#')),
  behaviour('spot-missing', 'broken', 'a fragment that is not there', withSpots, {
    ...spot('spot-missing', '#flame'),
    says: /no such spot/,
  }),
  behaviour('spot-case', 'broken', 'a fragment in other letters', withSpots, spot('spot-case', '#Wick')),
  behaviour('spot-comment', 'broken', 'an id in a comment', withSpots, spot('spot-comment', '#hidden')),
  behaviour('spot-template', 'broken', 'an id in a template', withSpots, spot('spot-template', '#mould')),
  behaviour(
    'spot-late',
    'sound',
    'a fragment after many others',
    html(() =>
      document(
        'Ids',
        `${Array.from({ length: 100_000 }, (_, index) => `<i id="n${index}"></i>`).join('')}<p>${TEXT.join(' ')}</p>`,
      ),
    ),
    spot('spot-late', '#n99999'),
  ),
  behaviour(
    'spot-too-late',
    'doubtful',
    'a page too long to be searched',
    html(() =>
      document(
        'Ids',
        `<p>${TEXT.join(' ')}</p>${Array.from({ length: 1_000_000 }, (_, index) => `<i id="n${index}"></i>`).join('')}`,
      ),
    ),
    spot('spot-too-late', '#nowhere'),
  ),
  behaviour(
    'spot-analysed',
    'broken',
    'a fragment that is not there, on a page with a script that counts visitors',
    html(
      document(
        'The lamp',
        `<h1 id="lamp">The lamp</h1>${paragraphs(...TEXT)}<h2 id="wick">Wick</h2><script src="/count.js"></script>`,
      ),
    ),
    spot('spot-analysed', '#flame'),
  ),
  behaviour(
    'spot-bare',
    'doubtful',
    'a fragment on a page whose headings have no ids, and a script',
    html(
      document(
        'The lamp',
        `<h1>The lamp</h1>${paragraphs(...TEXT)}<h2>Flame</h2><script src="/anchors.js"></script>`,
      ),
    ),
    spot('spot-bare', '#flame'),
  ),
  ...(['page=2', 'page=9', 'nameddest=wick', 'flame', 'zoom=50'] as const).map((fragment, index) =>
    behaviour(
      `spot-pdf-${index + 1}`,
      fragment === 'page=9' || fragment === 'flame' ? 'broken' : 'sound',
      `a PDF, at ${fragment}`,
      { '/lamp.pdf': made(200, { 'content-type': 'application/pdf' }, smallPdf()) },
      { href: `https://spot-pdf-${index + 1}.example/lamp.pdf#${fragment}` },
    ),
  ),
  behaviour(
    'spot-script',
    'doubtful',
    'a fragment of an application',
    APPLICATION,
    spot('spot-script', '#chapter'),
  ),
  behaviour(
    'spot-route',
    'doubtful',
    'a fragment that a script reads',
    article('The lamp', '<script src="/app.js"></script>'),
    spot('spot-route', '#/wick'),
  ),
  behaviour(
    'spot-text',
    'sound',
    'a text fragment',
    withSpots,
    spot('spot-text', '#:~:text=three%20boats%20came%20in'),
  ),
  behaviour(
    'spot-text-range',
    'sound',
    'a text fragment with an end',
    withSpots,
    spot('spot-text-range', '#:~:text=Three%20boats,second%20buoy'),
  ),
  behaviour(
    'spot-text-missing',
    'doubtful',
    'a text fragment that is not there',
    withSpots,
    spot('spot-text-missing', '#:~:text=seven%20elephants'),
  ),
  behaviour(
    'spot-in-404',
    'broken',
    'a fragment of a page that is not there',
    status(404, 'Gone'),
    spot('spot-in-404', '#wick'),
  ),
  behaviour(
    'spot-in-picture',
    'sound',
    'a fragment of a film',
    {
      '/lamp.mp4': made(
        200,
        { 'content-type': 'video/mp4' },
        Buffer.from('0000001c66747970697366000000020069736f6d69736f326d703431', 'hex'),
      ),
    },
    { href: 'https://spot-in-picture.example/lamp.mp4#t=30' },
  ),
];
