import { made, page } from '../site.js';
import { article, behaviour, TEXT, type Behaviour } from './behaviour.js';

const lamp = article('The lamp');
const mail = (id: string, address = `joe@${id}.example`) => ({ href: `mailto:${address}` });
const server = (exchange: string, priority = 10) => ({ priority, exchange });
const rules = (text: string) => made(200, { 'content-type': 'text/plain' }, text);

/** Names, certificates, rules for programs, and domains that take mail. */
export const NETWORK: readonly Behaviour[] = [
  {
    id: 'no-name',
    about: 'a name that does not exist',
    href: 'https://no-such-name.example/',
    verdict: 'broken',
    says: /no site of this name/,
    sites: [],
  },
  behaviour('name-fault', 'unreachable', 'name servers that fail', lamp, {
    names: 'servfail',
    says: /looked up/,
  }),
  behaviour('name-empty', 'broken', 'a name without an address', lamp, { names: 'nodata' }),
  behaviour('name-private', 'unreachable', 'a name in a private network', lamp, {
    addresses: ['10.1.2.3'],
    says: /private/,
  }),
  behaviour('name-both', 'sound', 'a name with a private and a public address', lamp, {
    addresses: ['10.1.2.3', '198.18.200.1'],
  }),
  behaviour('name-loopback', 'unreachable', 'a name that is this computer', lamp, {
    addresses: ['127.0.0.1', '::1'],
  }),
  behaviour('tls-expired', 'unreachable', 'a certificate that has expired', lamp, {
    tls: 'expired',
    says: /expired/,
  }),
  behaviour('tls-early', 'unreachable', 'a certificate that is not valid yet', lamp, {
    tls: 'not-yet-valid',
    says: /not valid yet/,
  }),
  behaviour('tls-name', 'unreachable', 'a certificate for another name', lamp, {
    tls: 'other-name',
    says: /another name/,
  }),
  behaviour('tls-self', 'unreachable', 'a certificate signed by itself', lamp, {
    tls: 'self-signed',
    says: /itself/,
  }),
  behaviour('tls-issuer', 'unreachable', 'a certificate of an unknown issuer', lamp, {
    tls: 'unknown-issuer',
    says: /Nobody knows who signed/,
  }),
  behaviour('tls-old', 'unreachable', 'an old version of TLS', lamp, {
    tls: 'old-version',
    says: /old version/,
  }),
  behaviour('tls-plain', 'unreachable', 'plain HTTP on the port of HTTPS', lamp, {
    tls: 'plain-http',
    says: /does not speak HTTPS/,
  }),
  behaviour('robots-none', 'sound', 'no rules for programs', { '/page': lamp }),
  behaviour(
    'robots-forbid',
    'guarded',
    'rules that forbid the page',
    { '/page': lamp, '/robots.txt': rules('User-agent: *\nDisallow: /page\n') },
    { says: /programs not to look/ },
  ),
  behaviour('robots-allow', 'sound', 'rules that forbid another page', {
    '/page': lamp,
    '/robots.txt': rules('User-agent: *\nDisallow: /private\nAllow: /\n'),
  }),
  behaviour('robots-named', 'guarded', 'rules for this program alone', {
    '/page': lamp,
    '/robots.txt': rules('User-agent: Vennet\nDisallow: /\n\nUser-agent: *\nAllow: /\n'),
  }),
  behaviour('robots-longest', 'sound', 'the longest rule wins', {
    '/page': lamp,
    '/robots.txt': rules('User-agent: *\nDisallow: /\nAllow: /page$\n'),
  }),
  behaviour('robots-fault', 'unreachable', 'rules that can’t be read for now', {
    '/page': lamp,
    '/robots.txt': made(503, {}),
  }),
  behaviour('robots-page', 'sound', 'a web page instead of rules', { '/page': lamp, '/robots.txt': lamp }),
  behaviour('robots-moved', 'guarded', 'rules that have moved', {
    '/page': lamp,
    '/robots.txt': made(301, { location: '/rules.txt' }),
    '/rules.txt': rules('User-agent: *\nDisallow: /'),
  }),
  behaviour('rests', 'unreachable', 'a host that asks for a long rest', made(429, { 'retry-after': '7200' })),
  behaviour(
    'mail',
    'sound',
    'a domain with a mail server',
    {},
    { ...mail('mail'), mail: [server('mail.example')] },
  ),
  behaviour(
    'mail-implicit',
    'sound',
    'a domain that takes mail at its own address',
    {},
    mail('mail-implicit'),
  ),
  behaviour(
    'mail-null',
    'broken',
    'a domain that takes no mail',
    {},
    { ...mail('mail-null'), mail: [server('', 0)], says: /takes no email/ },
  ),
  {
    id: 'mail-no-domain',
    about: 'a domain that does not exist',
    href: 'mailto:joe@no-such-domain.example',
    verdict: 'broken',
    says: /does not exist/,
    sites: [],
  },
  behaviour(
    'mail-no-server',
    'broken',
    'a mail server that does not exist',
    {},
    { ...mail('mail-no-server'), mail: [server('gone.mail-no-server.example')] },
  ),
  behaviour(
    'mail-second',
    'sound',
    'the second of two mail servers exists',
    {},
    {
      ...mail('mail-second'),
      mail: [server('gone.mail-second.example', 5), server('mail-second.example', 10)],
    },
  ),
  behaviour(
    'mail-fault',
    'unreachable',
    'name servers that fail',
    {},
    { ...mail('mail-fault'), names: 'servfail' },
  ),
  behaviour(
    'mail-mx-fault',
    'unreachable',
    'name servers that fail for mail alone',
    {},
    { ...mail('mail-mx-fault'), names: 'mail-servfail' },
  ),
  behaviour(
    'mail-empty',
    'broken',
    'a domain without anything',
    {},
    { ...mail('mail-empty'), names: 'nodata' },
  ),
  behaviour(
    'mail-private',
    'broken',
    'a mail server in a private network',
    {},
    { ...mail('mail-private'), addresses: ['192.168.1.1'] },
  ),
  behaviour(
    'mail-two',
    'broken',
    'one of two receivers has no domain',
    {},
    { href: 'mailto:joe@mail-two.example,ann@no-such-domain.example' },
  ),
  behaviour(
    'mail-copy',
    'broken',
    'a copy to a domain that takes no mail',
    {},
    { href: 'mailto:joe@mail-copy.example?cc=ann@no-such-domain.example&subject=x' },
  ),
  behaviour('mail-nobody', 'sound', 'an email without a receiver', {}, { href: 'mailto:?subject=Lamps' }),
  behaviour('mail-dots', 'broken', 'two dots in a row', {}, { href: 'mailto:joe..blow@mail-dots.example' }),
  behaviour(
    'mail-quoted',
    'sound',
    'a quoted name',
    {},
    { href: 'mailto:%22joe%20blow%22@mail-quoted.example' },
  ),
  behaviour(
    'mail-long',
    'broken',
    'a name of 65 signs',
    {},
    { href: `mailto:${'a'.repeat(65)}@mail-long.example` },
  ),
  behaviour(
    'mail-literal',
    'broken',
    'a computer in a private network by its number',
    {},
    { href: 'mailto:joe@[10.0.0.7]' },
  ),
  behaviour(
    'mail-idn',
    'sound',
    'a domain with letters beyond ASCII',
    { '/': page('x', [], ...TEXT) },
    { href: 'mailto:joe@xn--bcher-kva.example', others: { 'xn--bcher-kva.example': {} } },
  ),
];
