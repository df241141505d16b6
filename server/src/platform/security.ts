import type { NestExpressApplication } from '@nestjs/platform-express';
import { json } from 'express';
import helmet from 'helmet';
import { answerUnreadable, refuseDeep } from './bounds.js';
import { refuseTooLarge } from './refuse-too-large.js';
import { sameOrigin } from './same-origin.js';

/** The largest file that is taken in, in bytes. */
export const LARGEST_UPLOAD = 200 * 2 ** 20;
/** The largest chapter that can be saved. */
const LARGEST_CHAPTER = '32mb';

/** What stands before every route: who is answered, what pages may do, and how much is taken in. `origins` are further pages that may use it. */
export function guard(app: NestExpressApplication, origins: readonly string[] = []): void {
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          'default-src': ["'self'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'style-src': ["'self'", "'unsafe-inline'"],
          'worker-src': ["'self'", 'blob:'],
          'frame-ancestors': ["'none'"],
        },
      },
      // Vennet is reached over plain HTTP on loopback, where this header means nothing.
      strictTransportSecurity: false,
    }),
  );
  app.use(sameOrigin(origins));
  app.use(refuseTooLarge(LARGEST_UPLOAD));
  app.use(json({ limit: LARGEST_CHAPTER, verify: (_request, _response, body) => refuseDeep(body) }));
  answerUnreadable(app.getHttpServer());
  app.disable('x-powered-by');
}
