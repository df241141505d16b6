import type { Edition } from './edition.js';
import { placesLedTo } from './led-to.js';

/** Which places a manuscript has marked. A place is marked once, and only where anything leads there; its mark bears the name that the form has for it. */
export class MarkedPlaces {
  readonly #led: ReadonlySet<string>;
  readonly #marked = new Set<string>();
  #waiting: string[] = [];

  constructor(readonly edition: Edition) {
    this.#led = placesLedTo(edition);
  }

  /** Whether a place is to be marked yet. */
  isWanted(id: string | null): id is string {
    return id !== null && (this.#led.has(id) || this.edition.origins.has(id)) && !this.#marked.has(id);
  }

  /** The name of a place that is marked here; `null` for one that is marked already, or to which nothing leads. */
  take(id: string | null): string | null {
    return this.isWanted(id) ? this.takeAnyway(id) : null;
  }

  /** The name of a place that is marked here whether or not anything leads there; `null` for one that is marked already. */
  takeAnyway(id: string): string | null {
    if (this.#marked.has(id)) return null;
    this.#marked.add(id);
    return this.edition.nameOf(id);
  }

  /** The place of a block that holds no words of its own is marked at the next ones. */
  wait(id: string | null): void {
    const name = this.take(id);
    if (name !== null) this.#waiting.push(name);
  }

  /** The names of places that are to be marked at the words that come now. */
  waiting(): string[] {
    return this.#waiting.splice(0);
  }

  /** Writes what stands apart from the text around it: what waits there waits on. */
  apart<Written>(write: () => Written): Written {
    const waiting = this.waiting();
    const written = write();
    this.#waiting = waiting;
    return written;
  }
}
