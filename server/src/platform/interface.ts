import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { NextFunction, Request, Response } from 'express';

/** Serves the built interface; every address that is no file and not the HTTP interface's is a room of it. */
export function serveInterface(app: NestExpressApplication, directory: string): void {
  app.useStaticAssets(directory, {
    index: false,
    dotfiles: 'allow',
    setHeaders: (response: Response, path: string) => {
      if (path.includes('/assets/'))
        response.setHeader('cache-control', 'public, max-age=31536000, immutable');
    },
  });
  app.use((request: Request, response: Response, next: NextFunction) => {
    if (request.method !== 'GET' || request.path.startsWith('/api/')) return next();
    response.set('cache-control', 'no-cache').sendFile(join(directory, 'index.html'), { dotfiles: 'allow' });
  });
}
