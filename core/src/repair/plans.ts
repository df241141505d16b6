import {
  hrefOf,
  parseWebAddress,
  recognise,
  urlFrom,
  withoutTracking,
  trackingParameters,
  type Destination,
} from '../destination/index.js';
import type { Link } from '../manuscript/index.js';
import { trimmedEnds } from './ends.js';
import type { Planned, Repair } from './repair.js';

/** What a repair of many links would do: to each its repairs, and which can't be done. */
export interface Plan {
  planned: Planned[];
  refused: RefusedRepair[];
}

/** A link that a plan leaves as it is, and why. */
export interface RefusedRepair {
  link: string;
  href: string;
  reason: string;
}

/** A link as it would be after some repairs; `null`: it is no link any more. */
export interface LinkAfter {
  href: string;
  text: string;
}

const NOTHING: Plan = { planned: [], refused: [] };

const plannedFor = ({ id, href, text }: Link, repairs: Repair[]): Planned => ({
  link: id,
  was: { href, text },
  repairs,
});

/** Plans the same kind of repair for many links; those for which there is none are left. */
export function planEach(links: readonly Link[], repairsFor: (link: Link) => Repair[] | null): Plan {
  const planned = links.flatMap((link) => {
    const repairs = repairsFor(link);
    return repairs && repairs.length > 0 ? [plannedFor(link, repairs)] : [];
  });
  return { ...NOTHING, planned };
}

/** Leads links elsewhere, `null` leaves one; words that were the address become the new one. */
export const planDestinations = (
  links: readonly Link[],
  destinationFor: (link: Link) => Destination | null,
): Plan =>
  planEach(links, (link) => {
    const destination = destinationFor(link);
    return destination && hrefOf(destination) !== link.href ? leadElsewhere(link, destination) : null;
  });

/** The repairs that lead a link elsewhere: with the words, where they are its address and nothing else. */
export function leadElsewhere(link: Link, destination: Destination): Repair[] {
  const repairs: Repair[] = [{ type: 'destination', destination }];
  const shown =
    link.carrier === 'text' && destination.kind === 'web' ? shownAs(link, destination.href) : null;
  return shown === null ? repairs : [...repairs, { type: 'text', text: shown }];
}

/** How words that are the address of their link show another one: with a scheme where they had one. */
function shownAs(link: Link, href: string): string | null {
  const { start, end } = trimmedEnds(link.text);
  const words = link.text.slice(start, end);
  const recognition = words === '' || /\s/.test(words) ? null : recognise(words);
  if (!recognition?.ok) return null;
  if (withoutScheme(hrefOf(recognition.destination)) !== withoutScheme(link.href)) return null;
  return /^https?:/i.test(words) ? href : withoutScheme(href);
}

const withoutScheme = (href: string): string => href.replace(/^https?:\/\//, '').replace(/\/$/, '');

/** Takes out what tells a site where its readers come from. */
export const planWithoutTracking = (links: readonly Link[]): Plan =>
  planDestinations(links, ({ kind, href }) =>
    kind === 'web' && trackingParameters(href).length > 0 ? { kind, href: withoutTracking(href) } : null,
  );

/** The beginning of an address as an author types it: what it matches, and what stands there instead. */
interface Prefix {
  /** Without a scheme it stands for both. */
  scheme: string;
  rest: string;
}

function prefixFrom(typed: string): Prefix | null {
  const text = typed.trim();
  const scheme = /^(https?):\/\//i.exec(text)?.[1]?.toLowerCase() ?? '';
  const url = text === '' ? null : parseWebAddress(scheme === '' ? `https://${text}` : text);
  if (!url || url.search !== '' || url.hash !== '') return null;
  return { scheme, rest: url.href.slice(url.protocol.length + 2) };
}

/** What is wrong with the two beginnings of a change of addresses, or `null`. */
export function faultInPrefixes(from: string, to: string): string | null {
  if (!prefixFrom(from)) return 'Type the beginning of an address, such as http://old.example/a/.';
  if (!prefixFrom(to)) return 'Type what is to stand there instead, such as https://new.example/b/.';
  return null;
}

/**
 * Puts another beginning before every address that has one: `http://old.example/a/…` becomes `https://new.example/b/…`. A beginning
 * ends where a part of a path ends. Addresses that would not be any more are refused.
 */
export function planPrefix(links: readonly Link[], from: string, to: string): Plan {
  const [old, fresh] = [prefixFrom(from), prefixFrom(to)];
  const plan: Plan = { planned: [], refused: [] };
  if (!old || !fresh) return plan;
  for (const link of links) {
    const rest = link.kind === 'web' ? restAfter(link.href, old) : null;
    if (rest === null) continue;
    const scheme = fresh.scheme || (/^(https?):/.exec(link.href)?.[1] ?? 'https');
    const joined = `${scheme}://${fresh.rest.replace(/\/$/, '')}${/^[/?#]|^$/.test(rest) ? rest : `/${rest}`}`;
    const url = urlFrom(joined) && parseWebAddress(joined);
    const { id, href } = link;
    if (!url) plan.refused.push({ link: id, href, reason: `“${joined}” is no web address.` });
    else if (url.href.length > 8_000)
      plan.refused.push({ link: id, href, reason: 'The new address would be too long.' });
    else if (url.href !== href)
      plan.planned.push(plannedFor(link, leadElsewhere(link, { kind: 'web', href: url.href })));
  }
  return plan;
}

/** What follows a beginning in an address; `null` where it has another one. */
function restAfter(href: string, { scheme, rest }: Prefix): string | null {
  const found = /^(https?):\/\/(.*)$/s.exec(href);
  if (!found || (scheme !== '' && found[1] !== scheme)) return null;
  const [, , own = ''] = found;
  const whole = rest.replace(/\/$/, '');
  if (!own.startsWith(whole)) return null;
  const after = own.slice(whole.length);
  return after === '' || /^[/?#]/.test(after) ? after : null;
}

/** A link as it will be once its repairs are made; `null` where it is none any more. */
export function afterRepairs(link: Link, repairs: readonly Repair[]): LinkAfter | null {
  let { href, text } = link;
  for (const repair of repairs) {
    if (repair.type === 'destination') href = hrefOf(repair.destination);
    else if (repair.type === 'text' && repair.text !== '') text = repair.text;
    else if (repair.type === 'trim' && link.carrier === 'text') {
      const { start, end } = trimmedEnds(text);
      if (start < end) text = text.slice(start, end);
    } else if (repair.type === 'unlink') return null;
  }
  return { href, text };
}
