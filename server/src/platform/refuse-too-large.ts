import type { NextFunction, Request, Response } from 'express';
import { problemTooLarge } from './problem.js';

/** What the parts of a form may take beside the file in it, in bytes. */
const FORM = 64 * 1024;
/** Time that a sender has to hear the answer before the connection is cut, in ms. */
const GRACE = 2_000;

/** Refuses a file by its announced size, before it is sent: nothing of it reaches the disk. */
export const refuseTooLarge =
  (largest: number) =>
  (request: Request, response: Response, next: NextFunction): void => {
    const announced = Number(request.headers['content-length'] ?? 0);
    if (!request.is('multipart/form-data') || announced <= largest + FORM) return next();
    response
      .status(413)
      .set('connection', 'close')
      .type('application/problem+json')
      .send(JSON.stringify(problemTooLarge));
    // Programs that send without listening have to be let in for a moment, or they miss the answer.
    request.resume();
    setTimeout(() => request.socket.destroy(), GRACE).unref();
  };
