import { faultIn, UnreachableError } from '@vennet/client';
import type { ShelfTaken, Started } from '@vennet/core/wire';

/** What is told of a file on its way: 0 to 1 while it travels, then `null` while it is read. */
export type Progress = (share: number | null) => void;

/** Sends a file as a form; a browser tells how far it has come only in this older way. */
function send<Result>(
  path: string,
  file: File,
  {
    progress,
    signal,
    headers = {},
    fields = {},
  }: {
    progress: Progress;
    signal: AbortSignal;
    headers?: Record<string, string>;
    /** What else is sent with it. */
    fields?: Record<string, string>;
  },
): Promise<Result> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', `/api/${path}`);
    for (const [name, value] of Object.entries(headers)) request.setRequestHeader(name, value);
    request.upload.onprogress = ({ loaded, total }) => progress(loaded / total);
    request.upload.onload = () => progress(null);
    request.onload = () => {
      const { status, responseText } = request;
      if (status < 300) return resolve(JSON.parse(responseText) as Result);
      const type = request.getResponseHeader('content-type') ?? '';
      void faultIn(new Response(responseText, { status, headers: { 'content-type': type } })).then(reject);
    };
    request.onerror = () => reject(new UnreachableError());
    request.onabort = () => reject(new DOMException('stopped', 'AbortError'));
    signal.addEventListener('abort', () => request.abort());
    const form = new FormData();
    for (const [name, value] of Object.entries(fields)) form.append(name, value);
    form.append('file', file);
    request.send(form);
  });
}

/** Sends a book; what comes of it is told by the job. */
export const sendBook = (file: File, password: string, progress: Progress, signal: AbortSignal) =>
  send<Started>('books/bring-in', file, {
    progress,
    signal,
    headers: { prefer: 'respond-async' },
    fields: password === '' ? {} : { password },
  });

/** Sends a file to a place that answers with the file as it is kept. */
export const sendFile = (path: string, file: File, progress: Progress, signal: AbortSignal) =>
  send<ShelfTaken>(path, file, { progress, signal });
