import { does, html, made, redirect, status } from '../site.js';
import { article, behaviour, document, note, paragraphs, TEXT, type Behaviour } from './behaviour.js';

const lamp = article('The lamp');
const to = (location: string | string[], code = 302) => made(code, { location });
const utf8 = (text: string) => Buffer.from(text).toString('latin1');

/** Redirects, and what they end on. */
export const REDIRECTS: readonly Behaviour[] = [
  behaviour(
    'moved',
    'moved',
    '301 to another page',
    { '/page': redirect(301, '/new'), '/new': lamp },
    { movedTo: 'https://moved.example/new' },
  ),
  behaviour(
    'moved-308',
    'moved',
    '308 to another site',
    { '/page': redirect(308, 'https://elsewhere-308.example/lamp') },
    { movedTo: 'https://elsewhere-308.example/lamp', others: { 'elsewhere-308.example': { '/lamp': lamp } } },
  ),
  behaviour(
    'moved-chain',
    'moved',
    '301 and 308 in a row',
    { '/page': redirect(301, '/a'), '/a': redirect(308, '/b'), '/b': lamp },
    { movedTo: 'https://moved-chain.example/b' },
  ),
  behaviour('for-now', 'sound', '302 to another page', { '/page': redirect(302, '/new'), '/new': lamp }),
  behaviour('see-other', 'sound', '303 to another page', { '/page': redirect(303, '/new'), '/new': lamp }),
  behaviour('for-now-307', 'sound', '307 to another page', { '/page': redirect(307, '/new'), '/new': lamp }),
  behaviour('for-now-first', 'sound', '302, then 301', {
    '/page': redirect(302, '/a'),
    '/a': redirect(301, '/b'),
    '/b': lamp,
  }),
  behaviour(
    'moved-to-nothing',
    'broken',
    '301 to a page that is not there',
    { '/page': redirect(301, '/new') },
    { says: /sends on to https:\/\/moved-to-nothing\.example\/new/ },
  ),
  behaviour(
    'moved-to-no-site',
    'broken',
    '301 to a name that does not exist',
    redirect(301, 'https://nobody-there.example/'),
  ),
  behaviour('fifteen', 'sound', 'fifteen redirects', chain(15)),
  behaviour('thirty', 'broken', 'thirty redirects', chain(30)),
  behaviour(
    'circle',
    'broken',
    'a circle of two',
    { '/page': redirect(302, '/a'), '/a': redirect(302, '/page') },
    { says: /circle/ },
  ),
  behaviour('to-itself', 'broken', 'a page that sends on to itself', redirect(302, '/page')),
  behaviour(
    'cookie-test',
    'sound',
    'sends on to itself until a cookie comes back',
    does((request, response) => {
      if (/seen=1/.test(request.headers.cookie ?? ''))
        return void response
          .writeHead(200, { 'content-type': 'text/html' })
          .end(document('The lamp', paragraphs(...TEXT)));
      response.writeHead(302, { location: '/page', 'set-cookie': 'seen=1; Path=/' }).end();
    }),
  ),
  behaviour(
    'relative',
    'sound',
    'a relative address',
    { '/a/page': to('../b/new'), '/b/new': lamp },
    { href: 'https://relative.example/a/page' },
  ),
  behaviour('without-scheme', 'sound', 'an address without its scheme', {
    '/page': to('//without-scheme.example/new'),
    '/new': lamp,
  }),
  behaviour('query-only', 'sound', 'only a query', { '/page?a=1': lamp, '/page': to('?a=1') }),
  behaviour('location-utf-8', 'sound', 'UTF-8 in Location', {
    '/page': to(utf8('/lämp')),
    '/l%C3%A4mp': lamp,
  }),
  behaviour('location-latin-1', 'sound', 'Latin-1 in Location', {
    '/page': to('/l\u00e4mp'),
    '/l%E4mp': lamp,
  }),
  behaviour('location-twice', 'sound', 'the same Location twice', {
    '/page': to(['/new', '/new']),
    '/new': lamp,
  }),
  behaviour('location-two', 'broken', 'two different Locations', {
    '/page': to(['/new', '/other']),
    '/new': lamp,
    '/other': lamp,
  }),
  behaviour('location-space', 'sound', 'a space in Location', {
    '/page': to('/the lamp'),
    '/the%20lamp': lamp,
  }),
  behaviour('location-none', 'broken', '302 without Location', made(302, {})),
  behaviour('location-script', 'broken', 'Location with a script', to('javascript:alert(1)')),
  behaviour('location-mail', 'broken', 'Location with an email address', to('mailto:joe@lamp.example')),
  behaviour('location-private', 'unreachable', 'Location in a private network', to('http://10.0.0.7/'), {
    says: /private/,
  }),
  behaviour('location-fragment', 'sound', 'Location with a fragment', {
    '/page': to('/new#wick'),
    '/new': article('The lamp', '<h2 id="wick">Wick</h2>'),
  }),
  behaviour('refresh-header', 'sound', 'a Refresh header', {
    '/page': html(document('One moment', 'One moment'), 200, { refresh: '0; url=/new' }),
    '/new': lamp,
  }),
  behaviour('refresh-meta', 'sound', 'a page that sends on by itself', {
    '/page': html(
      document('Moved', '<p>Moved.</p>', { head: '<meta http-equiv="refresh" content="2;url=/new">' }),
    ),
    '/new': lamp,
  }),
  behaviour('refresh-nothing', 'broken', 'a page that sends on to nothing', {
    '/page': html(
      document('Moved', '<p>Moved.</p>', { head: '<meta http-equiv="refresh" content="0;url=/new">' }),
    ),
  }),
  behaviour(
    'refresh-itself',
    'sound',
    'a page that loads itself again',
    article('The lamp', '', '<meta http-equiv="refresh" content="300">'),
  ),
  behaviour('refresh-late', 'sound', 'a page that is left after a long time', {
    '/page': article('The lamp', '', '<meta http-equiv="refresh" content="600;url=/nothing">'),
  }),
  behaviour('refresh-noscript', 'sound', 'sends on only where no script runs', {
    '/page': article(
      'The lamp',
      '',
      '<noscript><meta http-equiv="refresh" content="0;url=/no-script"></noscript>',
    ),
  }),
  behaviour(
    'script-sends',
    'doubtful',
    'only a script sends on',
    html(document('Moved', '<p>Wait.</p><script>window.location.href = "/new";</script>')),
    { says: /script/ },
  ),
  behaviour(
    'script-replaces',
    'doubtful',
    'a script that replaces the address',
    html(document('', '<script>location.replace("https://lamp.example/")</script>')),
  ),
  behaviour(
    'script-later',
    'doubtful',
    'a script that sends on after a while',
    html(
      document(
        'Moved',
        '<p>Wait.</p><script>setTimeout(function () { location.href = "/new" }, 3000)</script>',
      ),
    ),
  ),
  behaviour(
    'script-cookie',
    'doubtful',
    'a script that puts a cookie and loads the page anew',
    html('<script>document.cookie="a=1";location.reload()</script>'),
  ),
  behaviour(
    'script-pressed',
    'sound',
    'a short page with a script for a button',
    html(
      document(
        'Opening hours',
        '<h1>Opening hours</h1><p>From ten to four.</p><script>function home() { location.href = "/" }</script>',
      ),
    ),
  ),
  behaviour(
    'script-elsewhere',
    'sound',
    'a script that could send on when something is pressed',
    article('The lamp', '<script>function go() { location.href = "/shop"; }</script>'),
  ),
  behaviour(
    'choices',
    'doubtful',
    '300 with choices',
    html(
      document('Choose', '<ul><li><a href="/de">Deutsch</a></li><li><a href="/en">English</a></li></ul>'),
      300,
    ),
    { says: /choose/ },
  ),
  behaviour(
    'to-sign-in',
    'guarded',
    'sent on to sign in',
    {
      '/page': redirect(302, '/login?next=/page'),
      '/login': note('Sign in', '<form><input name="u"><input type="password"></form>'),
    },
    { says: /sign in/ },
  ),
  behaviour('to-sign-in-301', 'guarded', 'sent on to sign in, for good', {
    '/page': redirect(301, '/account/signin'),
    '/account/signin': note('Sign in', '<form><input type="password"></form>'),
  }),
  behaviour(
    'to-sso',
    'guarded',
    'sent on to single sign-on',
    { '/page': redirect(302, 'https://sso.university-sound.example/idp/SSO?SAMLRequest=abc') },
    {
      others: {
        'sso.university-sound.example': {
          '/idp/SSO': note('Sign in', '<form><input type="password"></form>'),
        },
      },
    },
  ),
  behaviour(
    'to-consent',
    'guarded',
    'sent on to give consent',
    { '/page': redirect(302, 'https://consent.news-sound.example/?continue=x') },
    { others: { 'consent.news-sound.example': { '/': note('Before you continue', 'We use cookies.') } } },
  ),
  behaviour('to-paywall', 'guarded', 'sent on to subscribe', {
    '/page': redirect(302, '/subscribe'),
    '/subscribe': note('Choose a subscription', 'Monthly or yearly.'),
  }),
  behaviour('to-error', 'doubtful', 'sent on to a page of errors', {
    '/page': redirect(302, '/error/404'),
    '/error/404': note('Sorry', 'Please go back.'),
  }),
  behaviour(
    'to-front',
    'doubtful',
    'a page that is sent on to the front page',
    { '/page': redirect(301, '/'), '/': article('Lamps') },
    { says: /front page/ },
  ),
  behaviour(
    'to-front-302',
    'doubtful',
    'the same, for now',
    { '/deep/page': redirect(302, '/'), '/': article('Lamps') },
    { href: 'https://to-front-302.example/deep/page' },
  ),
  behaviour('to-front-language', 'doubtful', 'sent on to the front page of a language', {
    '/page': redirect(302, '/en/'),
    '/en/': article('Lamps'),
  }),
  behaviour(
    'to-front-elsewhere',
    'doubtful',
    'sent on to the front page of another site',
    { '/page': redirect(301, 'https://bought-us.example/') },
    { others: { 'bought-us.example': { '/': article('Bigger lamps') } } },
  ),
  behaviour(
    'front-language',
    'sound',
    'a front page in the language of the reader',
    { '/': redirect(302, '/en/'), '/en/': article('Lamps') },
    { href: 'https://front-language.example/' },
  ),
  behaviour(
    'front-index',
    'sound',
    '/index.html for /',
    { '/index.html': redirect(301, '/'), '/': article('Lamps') },
    { href: 'https://front-index.example/index.html' },
  ),
  behaviour(
    'front-tracked',
    'sound',
    'a front page with a tracking parameter',
    { '/?utm_source=x': redirect(301, '/'), '/': article('Lamps') },
    { href: 'https://front-tracked.example/?utm_source=x' },
  ),
  behaviour(
    'letter-case',
    'sound',
    '301 that only changes letter case',
    { '/The-Lamp': redirect(301, '/the-lamp'), '/the-lamp': lamp },
    { href: 'https://letter-case.example/The-Lamp' },
  ),
  behaviour('slash', 'sound', '301 that only adds a slash', {
    '/page': redirect(301, '/page/'),
    '/page/': lamp,
  }),
  behaviour(
    'to-https',
    'moved',
    '301 from HTTP to HTTPS',
    does((request, response) => {
      if (!('encrypted' in request.socket))
        return void response.writeHead(301, { location: 'https://to-https.example/page' }).end();
      response.writeHead(200, { 'content-type': 'text/html' }).end(document('The lamp', paragraphs(...TEXT)));
    }),
    { href: 'http://to-https.example/page', movedTo: 'https://to-https.example/page' },
  ),
  behaviour(
    'to-www',
    'moved',
    '301 to the same site with www',
    { '/': redirect(301, 'https://www.to-www.example/') },
    {
      href: 'https://to-www.example/',
      movedTo: 'https://www.to-www.example/',
      others: { 'www.to-www.example': { '/': article('Lamps') } },
    },
  ),
  behaviour('to-session', 'sound', '301 to an address with a session', {
    '/page': redirect(301, '/page;jsessionid=1A2B3C'),
    '/page;jsessionid=1A2B3C': lamp,
  }),
  behaviour('to-session-query', 'sound', '301 to an address with a session in the query', {
    '/page': redirect(301, '/lamp?PHPSESSID=abc'),
    '/lamp': lamp,
  }),
  behaviour(
    'keeps-fragment',
    'moved',
    '301 keeps the fragment',
    { '/page': redirect(301, '/new'), '/new': article('The lamp', '<h2 id="wick">Wick</h2>') },
    { href: 'https://keeps-fragment.example/page#wick', movedTo: 'https://keeps-fragment.example/new#wick' },
  ),
  behaviour(
    'loses-fragment',
    'doubtful',
    '301 puts another fragment',
    {
      '/page': redirect(301, '/new#top-story'),
      '/new': article('The lamp', '<h2 id="wick">Wick</h2><h2 id="top-story">Top</h2>'),
    },
    { href: 'https://loses-fragment.example/page#wick', says: /spot/ },
  ),
  behaviour(
    'moved-without-spot',
    'broken',
    '301 to a page without the spot',
    { '/page': redirect(301, '/new'), '/new': lamp },
    { href: 'https://moved-without-spot.example/page#wick' },
  ),
  behaviour(
    'identifier',
    'sound',
    'a persistent identifier that is sent on for good',
    { '/ark:/12345/lamp': redirect(301, '/new'), '/new': lamp },
    { href: 'https://identifier.example/ark:/12345/lamp' },
  ),
  behaviour('moved-soft-404', 'doubtful', '301 to a page that says it is not there', {
    '/page': redirect(301, '/new'),
    '/new': note('Page not found', 'Sorry.'),
  }),
  behaviour('moved-guarded', 'guarded', '301 to a page for members', {
    '/page': redirect(301, '/new'),
    '/new': status(403, 'Members'),
  }),
];

function chain(length: number) {
  const pages: Record<string, ReturnType<typeof redirect>> = { '/page': redirect(302, '/1') };
  for (let step = 1; step < length; step++) pages[`/${step}`] = redirect(302, `/${step + 1}`);
  return { ...pages, [`/${length}`]: lamp };
}
