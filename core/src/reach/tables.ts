import type { Failure, FileAnswer, MailState, TlsFault } from './answer.js';
import type { VerdictName } from './verdict-name.js';

/** What a status means. */
interface Row {
  from: number;
  to: number;
  verdict: VerdictName;
  says: string;
}

/** From status to verdict; the first row that holds the status decides. RFC 9110 section 15, RFC 6585, RFC 7725. */
export const STATUS_TABLE: readonly Row[] = [
  { from: 200, to: 299, verdict: 'sound', says: 'The page is there.' },
  {
    from: 304,
    to: 304,
    verdict: 'doubtful',
    says: 'The site says that the page has not changed, without showing it.',
  },
  { from: 300, to: 399, verdict: 'broken', says: 'The site redirects without saying where to.' },
  { from: 401, to: 401, verdict: 'guarded', says: 'The page asks readers to sign in.' },
  { from: 402, to: 402, verdict: 'guarded', says: 'The page asks readers to pay.' },
  {
    from: 403,
    to: 403,
    verdict: 'guarded',
    says: 'The site does not let everybody see this page, or keeps programs out. Open it yourself and say what you saw.',
  },
  { from: 404, to: 404, verdict: 'broken', says: 'The site has no such page.' },
  {
    from: 406,
    to: 406,
    verdict: 'guarded',
    says: 'The site keeps programs out. A reader with a browser may pass: open it yourself and say what you saw.',
  },
  { from: 407, to: 407, verdict: 'guarded', says: 'A proxy on the way asks readers to sign in.' },
  { from: 408, to: 408, verdict: 'unreachable', says: 'The site gave up waiting.' },
  { from: 410, to: 410, verdict: 'broken', says: 'The page is gone for good, the site says.' },
  { from: 421, to: 421, verdict: 'unreachable', says: 'The server is not the one for this site.' },
  { from: 425, to: 425, verdict: 'unreachable', says: 'The site was not ready to answer.' },
  {
    from: 429,
    to: 429,
    verdict: 'unreachable',
    says: 'The site says it is asked too often. Check again later.',
  },
  { from: 451, to: 451, verdict: 'guarded', says: 'The page may not be shown for legal reasons.' },
  { from: 511, to: 511, verdict: 'guarded', says: 'A network on the way asks readers to sign in.' },
  { from: 400, to: 499, verdict: 'broken', says: 'The site refuses this address.' },
  { from: 500, to: 599, verdict: 'unreachable', says: 'The site has a fault of its own. Check again later.' },
  {
    from: 600,
    to: 999,
    verdict: 'guarded',
    says: 'The site turns programs away. A reader with a browser may pass: open it yourself and say what you saw.',
  },
];

export const FAILURE_TABLE: Record<Failure, Omit<Row, 'from' | 'to'>> = {
  'unknown-name': { verdict: 'broken', says: 'There is no site of this name.' },
  'name-fault': {
    verdict: 'unreachable',
    says: 'The name of the site could not be looked up. Check again later.',
  },
  refused: {
    verdict: 'unreachable',
    says: 'Nothing answers at this address: the connection was refused. Check again later.',
  },
  timeout: { verdict: 'unreachable', says: 'The site did not answer in time. Check again later.' },
  reset: { verdict: 'unreachable', says: 'The connection broke off before the answer. Check again later.' },
  certificate: {
    verdict: 'unreachable',
    says: 'The site’s certificate is not in order, so browsers warn readers away.',
  },
  protocol: { verdict: 'unreachable', says: 'What answers there is not a web site.' },
  unpackable: {
    verdict: 'unreachable',
    says: 'What the site sends can’t be unpacked, so browsers show an error.',
  },
  'private-address': {
    verdict: 'unreachable',
    says: 'This name leads into a private network, where readers can’t follow and Vennet doesn’t ask.',
  },
  'redirect-loop': { verdict: 'broken', says: 'The site sends its readers in a circle.' },
  'too-many-redirects': { verdict: 'broken', says: 'The site redirects again and again without arriving.' },
  'bad-redirect': { verdict: 'broken', says: 'The site redirects to an address that can’t be read.' },
  robots: {
    verdict: 'guarded',
    says: 'The site asks programs not to look at this page. Open it yourself and say what you saw.',
  },
  'robots-unknown': {
    verdict: 'unreachable',
    says: 'What programs may look at could not be read from the site, so the page was not asked (RFC 9309).',
  },
  resting: {
    verdict: 'unreachable',
    says: 'The site asked for a rest, so this page was not asked this time.',
  },
};

export const TLS_TABLE: Record<TlsFault, string> = {
  expired: 'The site’s certificate has expired, so browsers warn readers away.',
  'not-yet-valid': 'The site’s certificate is not valid yet, so browsers warn readers away.',
  'other-name': 'The site’s certificate is for another name, so browsers warn readers away.',
  'self-signed': 'The site has signed its certificate itself, so browsers warn readers away.',
  'unknown-issuer':
    'Nobody knows who signed the site’s certificate, or the site leaves out a certificate between. Some browsers warn readers away.',
  revoked: 'The site’s certificate has been revoked, so browsers warn readers away.',
  weak: 'The site’s certificate or key is too weak, so browsers warn readers away.',
  'old-version': 'The site speaks only an old version of TLS, which browsers refuse.',
  'plain-http': 'At this address the site does not speak HTTPS. By HTTP it may answer.',
  'asks-for-certificate': 'The site asks readers for a certificate of their own.',
  other: FAILURE_TABLE.certificate.says,
};

export const MAIL_TABLE: Record<MailState, { verdict: VerdictName; says(address: string): string }> = {
  malformed: { verdict: 'broken', says: (address) => `“${address}” is no email address.` },
  'no-domain': { verdict: 'broken', says: (address) => `The domain of ${address} does not exist.` },
  refuses: { verdict: 'broken', says: (address) => `The domain of ${address} says that it takes no email.` },
  'no-server': {
    verdict: 'broken',
    says: (address) => `There is no server that takes email for ${address}.`,
  },
  private: {
    verdict: 'broken',
    says: (address) => `The server that takes email for ${address} is in a private network.`,
  },
  fault: {
    verdict: 'unreachable',
    says: (address) => `The domain of ${address} could not be looked up. Check again later.`,
  },
  literal: {
    verdict: 'doubtful',
    says: (address) => `${address} names a computer by its number; many programs send nothing there.`,
  },
  takes: { verdict: 'sound', says: () => 'Its domain takes email.' },
  'takes-by-address': {
    verdict: 'sound',
    says: () => 'Its domain takes email, at the address of the domain itself.',
  },
};

export const FILE_TABLE: Record<FileAnswer['state'], { verdict: VerdictName; says: string }> = {
  lost: {
    verdict: 'broken',
    says: 'The file is on the Shelf by name, and its bytes are lost. Replace it there.',
  },
  unreadable: { verdict: 'unreachable', says: 'The file could not be read from the disk.' },
  'other-bytes': {
    verdict: 'broken',
    says: 'The file was damaged: its bytes are not those that came to the Shelf.',
  },
  'other-type': { verdict: 'doubtful', says: 'The file is not of the kind that its name says.' },
  there: { verdict: 'sound', says: 'The file is on the Shelf, whole, and its readers can open it.' },
};
