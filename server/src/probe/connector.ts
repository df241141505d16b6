import type { LookupAddress } from 'node:dns';
import { buildConnector } from 'undici';
import { guardAddresses, publicOnly } from './address-guard.js';
import { NameError, namesBy, remembered, type Names, type Resolve } from './names.js';

/** The stand-in world as a connector needs it: which names are its own, and where they are answered. */
export interface StandIn {
  /** True for names that can only be in the stand-in world. */
  owns(hostname: string): boolean;
  /** The local port that answers for a name, or `null` where there is no site of this name. */
  portFor(hostname: string, protocol: string): number | null;
  /** PEM of the certificates that its sites are signed by. */
  certificate: string;
  /** Where its names are resolved, as `host:port`; without one every name that has a port is at one made-up address. */
  nameServer?: string;
  /** True for addresses that its name server gives for sites of its own. */
  ownsAddress?(address: string): boolean;
}

export interface ConnectorOptions {
  /** Longest time to connect, in ms. */
  timeout: number;
  resolve?: Resolve;
  standIn?: StandIn | null;
}

/** The way to the network, and the names of what is there. */
export interface Network {
  names: Names;
  /** The addresses that a host may be asked at. @throws PrivateAddressError, NameError */
  reachable: Resolve;
  connect: buildConnector.connector;
}

/** The way to the network: guarded, and into the stand-in world for its own names when that is on. */
export function makeNetwork({ timeout, resolve, standIn }: ConnectorOptions): Network {
  const system = namesBy();
  const outer = remembered(resolve ? { ...system, addresses: resolve } : system);
  const guarded = guardAddresses((lookup) => buildConnector({ timeout, lookup }), outer.addresses);
  if (!standIn) return { names: outer, reachable: publicOnly(outer.addresses), connect: guarded };
  const inner = remembered(standIn.nameServer ? namesBy([standIn.nameServer]) : namesByPorts(standIn));
  const namesOf = (name: string) => (standIn.owns(name) ? inner : outer);
  const isItsOwn = (address: string) => standIn.ownsAddress?.(address) ?? address.startsWith(MADE_UP);
  const reachableThere = publicOnly(inner.addresses, isItsOwn);
  const reachableOutside = publicOnly(outer.addresses);
  const reachable: Resolve = (name) => (standIn.owns(name) ? reachableThere(name) : reachableOutside(name));
  return {
    names: {
      addresses: (name) => namesOf(name).addresses(name),
      mailServers: (domain) => namesOf(domain).mailServers(domain),
    },
    reachable,
    connect: intoStandIn(standIn, timeout, reachable, isItsOwn, guarded),
  };
}

/** Addresses of the range for measuring networks (RFC 2544), where nobody is, begin so. */
const MADE_UP = '198.18.';

/** A stand-in without a name server knows its names by its ports; each has a made-up address of its own. */
function namesByPorts(standIn: StandIn): Names {
  const known: string[] = [];
  return {
    async addresses(name) {
      if (standIn.portFor(name, 'http:') === null && standIn.portFor(name, 'https:') === null)
        throw new NameError(name, 'ENOTFOUND');
      const number = known.includes(name) ? known.indexOf(name) : known.push(name) - 1;
      return [{ address: `${MADE_UP}${number >> 8}.${number & 255}`, family: 4 }];
    },
    mailServers: (domain) => Promise.reject(new NameError(domain, 'ENODATA')),
  };
}

function intoStandIn(
  standIn: StandIn,
  timeout: number,
  reachable: Resolve,
  isItsOwn: (address: string) => boolean,
  otherwise: buildConnector.connector,
): buildConnector.connector {
  const connect = buildConnector({ timeout, ca: standIn.certificate });
  return (options, callback) => {
    const { hostname, protocol } = options;
    if (!standIn.owns(hostname)) return otherwise(options, callback);
    const portOf = ([first]: LookupAddress[]): number => {
      const port = first && isItsOwn(first.address) ? standIn.portFor(hostname, protocol) : null;
      if (port === null) throw new NameError(hostname, 'ENOTFOUND');
      return port;
    };
    reachable(hostname)
      .then(portOf)
      .then(
        (port) =>
          connect({ ...options, hostname: '127.0.0.1', port: String(port), servername: hostname }, callback),
        (error: Error) => callback(error, null),
      );
  };
}
