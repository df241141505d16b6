/** Counts the requests that are under way at each host, and keeps them within a limit. */
export class HostSlots {
  readonly #taken = new Map<string, number>();
  readonly #waiting = new Map<string, (() => void)[]>();

  constructor(readonly perHost: number) {}

  isFree(host: string): boolean {
    return (this.#taken.get(host) ?? 0) < this.perHost;
  }

  async take(host: string): Promise<void> {
    if (this.isFree(host)) return void this.#taken.set(host, (this.#taken.get(host) ?? 0) + 1);
    await new Promise<void>((resolve) => {
      const queue = this.#waiting.get(host);
      if (queue) queue.push(resolve);
      else this.#waiting.set(host, [resolve]);
    });
  }

  /** Gives a slot back: to the next one that waits, if there is one. */
  release(host: string): void {
    const next = this.#waiting.get(host)?.shift();
    if (next) return next();
    const left = (this.#taken.get(host) ?? 1) - 1;
    if (left > 0) this.#taken.set(host, left);
    else this.#taken.delete(host);
  }
}
