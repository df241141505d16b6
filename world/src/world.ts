import {
  createServer as createHttpServer,
  type IncomingMessage,
  type RequestListener,
  type ServerResponse,
} from 'node:http';
import { createServer as createHttpsServer, type ServerOptions } from 'node:https';
import { once } from 'node:events';
import type { AddressInfo, Server } from 'node:net';
import { createSecureContext } from 'node:tls';
import { certificatesFor } from './certificates.js';
import { startNameServer } from './name-server.js';
import { isReservedName } from './names.js';
import { renderPage, renderStatus } from './render.js';
import type { Fallback, Page, Site } from './site.js';

export interface WorldOptions {
  sites: readonly Site[];
  /** Loopback port where a browser visits the sites, each as `name.localhost`; 0 takes a free one. */
  visitPort?: number;
  fallback?: Fallback;
}

/** The stand-in world while it runs. It satisfies the connector's `StandIn`. */
export interface World {
  owns(hostname: string): boolean;
  portFor(hostname: string, protocol: string): number | null;
  /** PEM of who signs the certificates of its sites. */
  certificate: string;
  /** Where its names are resolved, as `host:port`. */
  nameServer: string;
  /** True for the addresses that it gives to sites: those for measuring networks (RFC 2544), where nobody is. */
  ownsAddress(address: string): boolean;
  visitPort: number;
  /** Every request that came, as `METHOD https://host/path`, in order. */
  requests: readonly string[];
  /** Every question that its name server got, as `TYPE name`. */
  questions: readonly string[];
  stop(): Promise<void>;
}

/** A port of loopback where nothing listens on any ordinary machine (tcpmux, RFC 1078). */
const NOBODY = 1;

/** Starts the web of the made-up sites on loopback: real HTTP, HTTPS and DNS over real sockets. */
export async function startWorld({
  sites,
  visitPort = 0,
  fallback = () => null,
}: WorldOptions): Promise<World> {
  const byName = new Map(sites.map((site) => [site.name, site]));
  const { authority, ordinary, faulty } = await certificatesFor(sites);
  const requests: string[] = [];
  const answer =
    (scheme: string): RequestListener =>
    (request, response) => {
      const { hostname, path, visiting } = asked(request);
      if (!visiting) requests.push(`${request.method} ${scheme}://${hostname}${path}`);
      const site = byName.get(hostname);
      const found = site ? (pageOf(site, path) ?? null) : fallback(hostname, path);
      reply(request, response, { site, page: found, hostname, path, visiting });
    };
  const http = createHttpServer(answer('http'));
  const secure = (options: ServerOptions) => createHttpsServer(options, answer('https'));
  const contexts = new Map([...faulty].map(([state, one]) => [state, createSecureContext(one)]));
  const https = secure({
    ...ordinary,
    SNICallback: (name, callback) => callback(null, contexts.get(byName.get(name)?.tls ?? 'plain-http')),
  });
  const servers: Server[] = [http, https];
  await listen(http, visitPort);
  await listen(https, 0);
  /** What speaks another TLS altogether is a server of its own. */
  const old = secure({
    ...ordinary,
    minVersion: 'TLSv1',
    maxVersion: 'TLSv1.1',
    ciphers: 'DEFAULT@SECLEVEL=0',
  });
  if (sites.some(({ tls }) => tls === 'old-version')) {
    servers.push(old);
    await listen(old, 0);
  }
  const places = new Places();
  const names = await startNameServer((name) => {
    const site = byName.get(name);
    if (!site && !fallback(name, '/')) return null;
    const fails = site?.names;
    return {
      addresses: site?.addresses ?? [places.of(name)],
      mail: site?.mail ?? [],
      ...(fails ? { fails } : {}),
    };
  });
  return {
    owns: isReservedName,
    portFor(hostname, protocol) {
      const site = byName.get(hostname);
      if (!site && !fallback(hostname, '/')) return null;
      if (site?.refuses) return NOBODY;
      if (protocol === 'http:' || site?.tls === 'plain-http') return portOf(http);
      return portOf(site?.tls === 'old-version' ? old : https);
    },
    certificate: authority,
    nameServer: `127.0.0.1:${names.port}`,
    ownsAddress: (address) => /^198\.1[89]\./.test(address),
    visitPort: portOf(http),
    requests,
    questions: names.questions,
    async stop() {
      await names.stop();
      await Promise.all(
        servers.map(async (server) => {
          (server as Server & { closeAllConnections(): void }).closeAllConnections();
          server.close();
          await once(server, 'close');
        }),
      );
    },
  };
}

/** An address for each name, given as it is asked for. */
class Places {
  readonly #known = new Map<string, string>();

  of(name: string): string {
    let address = this.#known.get(name);
    if (!address) {
      const number = this.#known.size + 1;
      address = `198.${18 + (number >> 16)}.${(number >> 8) & 255}.${number & 255}`;
      this.#known.set(name, address);
    }
    return address;
  }
}

function pageOf({ pages, missing }: Site, path: string): Page | null {
  const found = pages[path] ?? pages[path.replace(/\?.*/, '')];
  return found ?? (typeof missing === 'function' ? missing(path) : missing) ?? null;
}

interface Asked {
  site: Site | undefined;
  page: Page | null;
  hostname: string;
  path: string;
  /** A browser came here by `name.localhost`. */
  visiting: boolean;
}

function asked(request: IncomingMessage): Pick<Asked, 'hostname' | 'path' | 'visiting'> {
  const host = (request.headers.host ?? '').replace(/:\d+$/, '').toLowerCase();
  const visiting = host.endsWith('.localhost');
  return {
    hostname: visiting ? host.slice(0, -'.localhost'.length) : host,
    path: request.url ?? '/',
    visiting,
  };
}

function reply(request: IncomingMessage, response: ServerResponse, about: Asked): void {
  const { page, site } = about;
  const send = () => {
    if (request.method === 'HEAD' && page?.headStatus) return void response.writeHead(page.headStatus).end();
    if (!page) {
      const title = site ? 'No such page' : 'No site of this name';
      return html(response, 404, renderStatus(404, title, about));
    }
    const { answer } = page;
    switch (answer.kind) {
      case 'page':
        return html(response, 200, renderPage(answer, about));
      case 'redirect':
        return void response
          .writeHead(answer.status, { location: visitable(answer.location, request, about) })
          .end();
      case 'status': {
        const headers: Record<string, string> = answer.retryAfter ? { 'retry-after': answer.retryAfter } : {};
        return html(response, answer.status, renderStatus(answer.status, answer.title, about), headers);
      }
      case 'made': {
        const sent = about.visiting ? [...answer.headers, ...Object.entries(HARMLESS)] : answer.headers;
        return void response
          .writeHead(answer.status, sent.flat())
          .end(typeof answer.body === 'function' ? answer.body() : answer.body);
      }
      case 'raw': {
        const { socket } = request;
        socket.write(answer.bytes);
        if (answer.then === 'end') socket.end();
        if (answer.then === 'reset') setTimeout(() => socket.destroy(), 20);
        return;
      }
      case 'does':
        return answer.does(request, response);
      case 'silent':
        return;
      case 'breaks':
        return void request.socket.destroy();
    }
  };
  if (page?.delay) setTimeout(send, page.delay);
  else send();
}

/** Nothing in a page of the world may run, whatever its words are. */
const HARMLESS = { 'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'" };

function html(
  response: ServerResponse,
  status: number,
  body: string,
  headers: Record<string, string> = {},
): void {
  response.writeHead(status, { 'content-type': 'text/html; charset=utf-8', ...HARMLESS, ...headers });
  response.end(body);
}

/** A browser that visits by `name.localhost` has to be sent on in the same way. */
function visitable(location: string, request: IncomingMessage, { visiting, hostname }: Asked): string {
  if (!visiting) return location;
  const target = new URL(location, `https://${hostname}${request.url}`);
  if (!isReservedName(target.hostname)) return target.href;
  const port = /:\d+$/.exec(request.headers.host ?? '')?.[0] ?? '';
  return `http://${target.hostname}.localhost${port}${target.pathname}${target.search}${target.hash}`;
}

async function listen(server: Server, port: number): Promise<void> {
  server.listen(port, '127.0.0.1');
  await once(server, 'listening');
}

const portOf = (server: Server) => (server.address() as AddressInfo).port;
