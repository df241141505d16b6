import { Injectable, Logger, type BeforeApplicationShutdown } from '@nestjs/common';
import { isUnderWay, type JobKind, type JobStatus } from '@vennet/core/wire';
import { concat, defer, EMPTY, filter, from, of, Subject, takeWhile, type Observable } from 'rxjs';
import { endIdle, WorkRefusal } from './in-process.js';
import { ShutdownError, type JobHandler, type Unfinished } from './job.js';

/** One job that waits or runs. */
interface Ticket {
  status: JobStatus;
  controller: AbortController;
  /** Who waits for what comes of it. */
  waits: { resolve(result: unknown): void; reject(error: unknown): void } | null;
}

/** Time between tries to store how a job ended, in ms. */
const STORE_AGAIN = 1_000;
/** How many jobs that have ended are still told of from memory. */
const REMEMBERED = 100;

const STOPPED: Unfinished = { state: 'stopped', message: '', wants: null };

/**
 * Jobs wait here, each kind in a line of its own, and run a few at a time in the order in which they came. What a job has to
 * remember is in the database; here is only how those stand that are under way or have just ended.
 */
@Injectable()
export class Jobs implements BeforeApplicationShutdown {
  readonly #log = new Logger('Jobs');
  readonly #handlers = new Map<JobKind, JobHandler<unknown>>();
  readonly #waiting = new Map<JobKind, Ticket[]>();
  readonly #running = new Map<string, { ticket: Ticket; ended: Promise<void> }>();
  readonly #ended = new Map<string, JobStatus>();
  readonly #changes = new Subject<JobStatus>();
  #closing = false;

  /** Says how one kind of job is done. */
  handle<Result>(kind: JobKind, handler: JobHandler<Result>): void {
    this.#handlers.set(kind, handler);
    this.#waiting.set(kind, []);
  }

  /** Lets a job wait for its turn. */
  add(kind: JobKind, id: string): void {
    this.#enqueue(kind, id, null);
  }

  /** Lets a job wait for its turn and gives what came of it. @throws what the work threw, or the reason of the signal */
  async run<Result>(kind: JobKind, id: string, signal?: AbortSignal): Promise<Result> {
    const stop = () => void this.stop(id);
    try {
      return await new Promise<Result>((resolve, reject) => {
        this.#enqueue(kind, id, { resolve: (result) => resolve(result as Result), reject });
        signal?.addEventListener('abort', stop, { once: true });
        if (signal?.aborted) stop();
      });
    } finally {
      signal?.removeEventListener('abort', stop);
    }
  }

  /** Stops a job. True when it was under way; it has ended when its status says so. */
  async stop(id: string): Promise<boolean> {
    for (const line of this.#waiting.values()) {
      const at = line.findIndex(({ status }) => status.id === id);
      const [ticket] = at < 0 ? [] : line.splice(at, 1);
      if (!ticket) continue;
      await this.#end(ticket, STOPPED);
      ticket.waits?.reject(stopped());
      return true;
    }
    const running = this.#running.get(id);
    running?.ticket.controller.abort(stopped());
    return running !== undefined;
  }

  /** How a job stands that waits, runs or has just ended. */
  status(id: string): JobStatus | null {
    const waiting = [...this.#waiting.values()].flat().find(({ status }) => status.id === id);
    return waiting?.status ?? this.#running.get(id)?.ticket.status ?? this.#ended.get(id) ?? null;
  }

  /** How any job stands, also one that is long over; `null` when there was none. */
  async find(id: string): Promise<JobStatus | null> {
    const known = this.status(id);
    if (known) return known;
    for (const handler of this.#handlers.values()) {
      const stored = await handler.stored?.(id);
      if (stored) return stored;
    }
    return null;
  }

  /** How a job stands now and at each change, until it has ended. Nothing for a job that there never was. */
  events(id: string): Observable<JobStatus> {
    const now = defer(() => {
      const known = this.status(id);
      return known ? of(known) : from(this.find(id));
    });
    const later = defer(() => {
      const known = this.status(id);
      return known && isUnderWay(known) ? this.#changes : EMPTY;
    });
    return concat(now, later).pipe(
      filter((status): status is JobStatus => status?.id === id),
      takeWhile((status) => isUnderWay(status), true),
    );
  }

  /** At shutdown jobs are let go as they are: the next start goes on with what is stored. */
  async beforeApplicationShutdown(): Promise<void> {
    this.#closing = true;
    const reason = new ShutdownError('the server ends');
    for (const line of this.#waiting.values())
      for (const ticket of line.splice(0)) ticket.waits?.reject(reason);
    for (const { ticket } of this.#running.values()) ticket.controller.abort(reason);
    await Promise.all([...this.#running.values()].map(({ ended }) => ended));
    this.#changes.complete();
    endIdle();
  }

  #enqueue(kind: JobKind, id: string, waits: Ticket['waits']): void {
    const line = this.#waiting.get(kind);
    if (!line) throw new Error(`nobody does jobs of the kind “${kind}”`);
    const ticket: Ticket = {
      status: {
        id,
        kind,
        state: 'waiting',
        stage: '',
        done: 0,
        total: 0,
        message: '',
        wants: null,
        made: null,
      },
      controller: new AbortController(),
      waits,
    };
    line.push(ticket);
    this.#start(kind);
  }

  #start(kind: JobKind): void {
    const handler = this.#handlers.get(kind);
    const line = this.#waiting.get(kind);
    if (!handler || !line) return;
    const running = () =>
      [...this.#running.values()].filter(({ ticket }) => ticket.status.kind === kind).length;
    while (!this.#closing && running() < handler.atOnce) {
      const ticket = line.shift();
      if (!ticket) return;
      const ended = this.#work(ticket, handler).finally(() => {
        this.#running.delete(ticket.status.id);
        this.#start(kind);
      });
      this.#running.set(ticket.status.id, { ticket, ended });
    }
  }

  async #work(ticket: Ticket, handler: JobHandler<unknown>): Promise<void> {
    const { signal } = ticket.controller;
    this.#tell(ticket, { state: 'running' });
    try {
      const result = await handler.run(ticket.status.id, {
        signal,
        tell: (progress) => this.#tell(ticket, progress),
      });
      this.#tell(ticket, { state: 'done', made: handler.made?.(result) ?? null });
      ticket.waits?.resolve(result);
    } catch (error) {
      if (!(signal.reason instanceof ShutdownError)) await this.#end(ticket, this.#unfinished(error, ticket));
      ticket.waits?.reject(error);
    }
  }

  #unfinished(error: unknown, { controller, status }: Ticket): Unfinished {
    if (controller.signal.aborted) return STOPPED;
    if (error instanceof WorkRefusal) return { state: 'failed', message: error.message, wants: error.wants };
    this.#log.error(error);
    return { state: 'failed', message: this.#handlers.get(status.kind)?.faultWords ?? '', wants: null };
  }

  async #end(ticket: Ticket, end: Unfinished): Promise<void> {
    const { id, kind } = ticket.status;
    // What is stored of a job is what the queue knows of it: when the database is away, it is waited for.
    while (!this.#closing)
      try {
        await this.#handlers.get(kind)?.unfinished?.(id, end);
        break;
      } catch (error) {
        this.#log.error(error);
        await new Promise((resolve) => setTimeout(resolve, STORE_AGAIN).unref());
      }
    this.#tell(ticket, end);
  }

  #tell(ticket: Ticket, more: Partial<JobStatus>): void {
    const status = { ...ticket.status, ...more };
    ticket.status = status;
    if (!isUnderWay(status)) {
      this.#ended.set(status.id, status);
      const [oldest] = this.#ended.keys();
      if (this.#ended.size > REMEMBERED && oldest) this.#ended.delete(oldest);
    }
    this.#changes.next(status);
  }
}

const stopped = () => new DOMException('stopped', 'AbortError');
