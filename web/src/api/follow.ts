import { bookEvents, checkEvents, jobEvents } from '@vennet/client';
import { isUnderWay, type BookNews, type CheckRun, type JobState, type JobStatus } from '@vennet/core/wire';

/** Follows something that goes on at the server, from how it stands now to its end. The function that comes back stops listening. */
function follow<Status extends { state: JobState }>(
  events: string,
  changed: (status: Status) => void,
  lost: () => void,
): () => void {
  const source = new EventSource(events);
  source.onmessage = (event: MessageEvent<string>) => {
    const status = JSON.parse(event.data) as Status;
    if (!isUnderWay(status)) source.close();
    changed(status);
  };
  source.onerror = lost;
  return () => source.close();
}

/** Listens to how the chapters of a book stand; a connection that is lost is made anew by the browser. */
export function listenToBook(book: string, heard: (news: BookNews) => void): () => void {
  const source = new EventSource(bookEvents(book));
  source.onmessage = (event: MessageEvent<string>) => heard(JSON.parse(event.data) as BookNews);
  return () => source.close();
}

/** Follows a check run, with the verdicts it has so far. */
export const followCheck = (id: string, changed: (run: CheckRun) => void, lost: () => void) =>
  follow(checkEvents(id), changed, lost);

/** Follows a job of any kind. */
export const followJob = (id: string, changed: (status: JobStatus) => void, lost: () => void) =>
  follow(jobEvents(id), changed, lost);

/** Waits for the end of a job. @throws UnreachableError's kin when the server is lost on the way */
export function endOfJob(
  id: string,
  { signal, changed }: { signal: AbortSignal; changed(status: JobStatus): void },
): Promise<JobStatus> {
  return new Promise((resolve, reject) => {
    const leave = followJob(
      id,
      (status) => {
        changed(status);
        if (!isUnderWay(status)) resolve(status);
      },
      () => {
        leave();
        reject(new Error('Vennet does not answer any more. Look into the Library when it is back.'));
      },
    );
    signal.addEventListener('abort', () => {
      leave();
      reject(signal.reason as Error);
    });
  });
}
