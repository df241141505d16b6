import { domainsOf } from '../destination/index.js';
import { fold } from '../language/index.js';
import { contentOf, type Link } from '../manuscript/index.js';
import { accessibleName, wordsSeen } from '../reader/index.js';
import { comparable } from './web-host.js';

/** What several rules ask of a link, each computed once. */
export interface LinkFacts {
  /** Its accessible name, and its words as they are seen. */
  name: string;
  words: string;
  /** What it is called, as two are compared; empty where it has no letter. */
  nameKey: string;
  /** Where it leads, as two are compared: with or without encryption, `www.` and a last slash it is one page. */
  destinationKey: string;
  /** The host of a web page, and what follows it up to a query; empty for any other. */
  host: string;
  path: string;
  /** The domains that it names, as `domainsOf` has them. */
  domains: readonly string[];
}

/** By what stays the same of a link that has only moved. */
const known = new WeakMap<object, LinkFacts>();

/** The rules ask of one link after the other. */
let last: { link: Link; facts: LinkFacts } | null = null;

export function factsOf(link: Link): LinkFacts {
  if (last?.link !== link) last = { link, facts: lookUp(link) };
  return last.facts;
}

function lookUp(link: Link): LinkFacts {
  const content = contentOf(link);
  const before = known.get(content);
  if (before) return before;
  const words = wordsSeen(link);
  const name = words !== '' && !link.about?.name ? words : accessibleName(link);
  const folded = fold(name);
  const [host, path, rest] = link.kind === 'web' ? partsOf(link.href) : ['', '', ''];
  const facts: LinkFacts = {
    name,
    words,
    nameKey: LETTERS.test(folded) ? folded : '',
    destinationKey: host === '' ? link.href : pageKey(host, path, rest),
    host,
    path,
    domains: host === '' ? domainsOf(link.destination) : [host.replace(WWW, '')],
  };
  known.set(content, facts);
  return facts;
}

const WWW = /^www\./;
const LETTERS = /\p{L}{2}/u;

/** Host, path and the rest of an address as the URL parser writes it: without scheme, name, password and port. */
function partsOf(href: string): [string, string, string] {
  const [, authority = '', path = '', rest = ''] = /^[a-z]+:\/\/([^/?#]*)([^?#]*)(.*)$/.exec(href) ?? [];
  const name = authority.slice(authority.lastIndexOf('@') + 1);
  return [
    name.startsWith('[') ? name.slice(0, name.indexOf(']') + 1) : name.replace(/:\d+$/, ''),
    path,
    rest,
  ];
}

const pageKey = (host: string, path: string, rest: string): string =>
  `${comparable(host)}${path.replace(/\/(?:index\.x?html?)?$/, '')}${rest}`;

/** An address as two are compared. */
export const keyOfAddress = (href: string): string => pageKey(...partsOf(href));
