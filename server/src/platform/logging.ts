import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { ConfigService } from '@nestjs/config';
import { LoggerModule } from 'nestjs-pino';
import type { AppSettings } from './settings.js';

const ID = /^[\w.-]{1,80}$/;

/**
 * The id of a request: the one that it came with from a proxy before Vennet, or a new one. It stands in every line of the log
 * that the request gives cause to, in the answer, and in the problem document of a fault.
 */
function requestId(request: IncomingMessage, response: ServerResponse): string {
  const given = request.headers['x-request-id'];
  const id = typeof given === 'string' && ID.test(given) ? given : randomUUID();
  response.setHeader('x-request-id', id);
  return id;
}

/** The log: one line of JSON an event, on standard output. Nothing of what an author writes or sends is in it. */
export const Logging = LoggerModule.forRootAsync({
  inject: [ConfigService],
  useFactory: (settings: ConfigService<AppSettings, true>) => ({
    pinoHttp: {
      level: settings.get('logLevel', { infer: true }),
      genReqId: requestId,
      serializers: {
        req: ({ id, method, url }: { id: string; method: string; url: string }) => ({ id, method, url }),
        res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      },
      customLogLevel: (_request: unknown, response: ServerResponse, error?: Error) =>
        error || response.statusCode >= 500 ? 'error' : 'info',
    },
  }),
});
