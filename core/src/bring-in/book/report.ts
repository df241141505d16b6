/** One line of the report: what, how many, and why it is not as it was. */
export interface ReportLine {
  what: string;
  count: number;
  why?: string;
}

/** What became of a file that was brought in. */
export interface BringInReport {
  kept: ReportLine[];
  changed: ReportLine[];
  leftOut: ReportLine[];
}

/** Counts while a file is read; one line for each pair of what and why. */
export class Tally {
  readonly #lines = {
    kept: new Map<string, ReportLine>(),
    changed: new Map<string, ReportLine>(),
    leftOut: new Map<string, ReportLine>(),
  };

  add(column: keyof BringInReport, what: string, why?: string, count = 1): void {
    if (count === 0) return;
    const key = `${what}\n${why ?? ''}`;
    const line = this.#lines[column].get(key);
    if (line) line.count += count;
    else this.#lines[column].set(key, { what, count, ...(why ? { why } : {}) });
  }

  report(): BringInReport {
    const sorted = (lines: Map<string, ReportLine>) => [...lines.values()].sort((a, b) => b.count - a.count);
    return {
      kept: sorted(this.#lines.kept),
      changed: sorted(this.#lines.changed),
      leftOut: sorted(this.#lines.leftOut),
    };
  }
}
