import { buildConnector } from 'undici';
import { guardAddresses, resolveBySystem, type Resolve } from './address-guard.js';

/** The stand-in world as a connector needs it: which names are its own, and where they are answered. */
export interface StandIn {
  /** True for names that can only be in the stand-in world. */
  owns(hostname: string): boolean;
  /** The local port that answers for a name, or `null` where there is no site of this name. */
  portFor(hostname: string, protocol: string): number | null;
  /** PEM of the certificate that its sites show. */
  certificate: string;
}

export interface ConnectorOptions {
  /** Longest time to connect, in ms. */
  timeout: number;
  resolve?: Resolve;
  standIn?: StandIn | null;
}

/** The way to the network: guarded, and into the stand-in world for its own names when that is on. */
export function makeConnector({
  timeout,
  resolve = resolveBySystem,
  standIn,
}: ConnectorOptions): buildConnector.connector {
  const guarded = guardAddresses((lookup) => buildConnector({ timeout, lookup }), resolve);
  return standIn ? intoStandIn(standIn, timeout, guarded) : guarded;
}

function intoStandIn(
  standIn: StandIn,
  timeout: number,
  otherwise: buildConnector.connector,
): buildConnector.connector {
  const connect = buildConnector({ timeout, ca: standIn.certificate });
  return (options, callback) => {
    if (!standIn.owns(options.hostname)) return otherwise(options, callback);
    const port = standIn.portFor(options.hostname, options.protocol);
    if (port === null)
      return callback(
        Object.assign(new Error(`no site of the name ${options.hostname}`), { code: 'ENOTFOUND' }),
        null,
      );
    connect(
      { ...options, hostname: '127.0.0.1', port: String(port), servername: options.hostname },
      callback,
    );
  };
}
