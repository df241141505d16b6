import {
  createServer as createHttpServer,
  type IncomingMessage,
  type RequestListener,
  type ServerResponse,
} from 'node:http';
import { createServer as createHttpsServer } from 'node:https';
import { once } from 'node:events';
import type { AddressInfo, Server } from 'node:net';
import { generate } from 'selfsigned';
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
  certificate: string;
  visitPort: number;
  /** Every request that came, as `METHOD https://host/path`, in order. */
  requests: readonly string[];
  stop(): Promise<void>;
}

/** A port of loopback where nothing listens on any ordinary machine (tcpmux, RFC 1078). */
const NOBODY = 1;

/** Starts the web of the made-up sites on loopback: real HTTP and HTTPS over real sockets. */
export async function startWorld({
  sites,
  visitPort = 0,
  fallback = () => null,
}: WorldOptions): Promise<World> {
  const byName = new Map(sites.map((site) => [site.name, site]));
  const names = new Set([...byName.keys()]);
  const { private: key, cert } = await certificateFor([...names]);
  const requests: string[] = [];
  const answer =
    (scheme: string): RequestListener =>
    (request, response) => {
      const { hostname, path, visiting } = asked(request);
      if (!visiting) requests.push(`${request.method} ${scheme}://${hostname}${path}`);
      const site = byName.get(hostname);
      const found = site
        ? (site.pages[path] ?? site.pages[path.replace(/\?.*/, '')] ?? null)
        : fallback(hostname, path);
      reply(request, response, { site, page: found, hostname, path, visiting });
    };
  const http = createHttpServer(answer('http'));
  const https = createHttpsServer({ key, cert }, answer('https'));
  await Promise.all([listen(http, visitPort), listen(https, 0)]);
  const ports: Partial<Record<string, number>> = { 'http:': portOf(http), 'https:': portOf(https) };
  return {
    owns: isReservedName,
    portFor(hostname, protocol) {
      const site = byName.get(hostname);
      if (!site && !fallback(hostname, '/')) return null;
      return site?.refuses ? NOBODY : (ports[protocol] ?? null);
    },
    certificate: cert,
    visitPort: portOf(http),
    requests,
    async stop() {
      for (const server of [http, https]) {
        server.closeAllConnections();
        server.close();
      }
      await Promise.all([once(http, 'close'), once(https, 'close')]);
    },
  };
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
function html(
  response: ServerResponse,
  status: number,
  body: string,
  headers: Record<string, string> = {},
): void {
  response.writeHead(status, {
    'content-type': 'text/html; charset=utf-8',
    'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
    ...headers,
  });
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

async function certificateFor(names: string[]): Promise<{ private: string; cert: string }> {
  return generate([{ name: 'commonName', value: 'Vennet stand-in world' }], {
    keySize: 2048,
    notAfterDate: new Date(Date.now() + 365 * 86_400_000),
    extensions: [
      { name: 'basicConstraints', cA: true },
      { name: 'subjectAltName', altNames: names.map((value) => ({ type: 2, value })) },
    ],
  });
}

async function listen(server: Server, port: number): Promise<void> {
  server.listen(port, '127.0.0.1');
  await once(server, 'listening');
}

const portOf = (server: Server) => (server.address() as AddressInfo).port;
