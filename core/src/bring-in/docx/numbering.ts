import type { Document, Element } from 'domhandler';
import { roman } from '../../manuscript/index.js';
import { childNamed, inside } from '../page/elements.js';
import type { NumberSaid } from './styles.js';
import { valueOf } from './styles.js';

/** How one level of a list counts (ECMA-376-1, 17.9). */
export interface Level {
  /** `bullet`, `decimal`, `lowerRoman` and so on. */
  format: string;
  /** How its numbers are written: `%1.%2`. */
  text: string;
  start: number;
}

/** The lists of a document, counted as its paragraphs are read one after another. */
export class Numbering {
  readonly #kinds = new Map<string, string>();
  readonly #levels = new Map<string, Map<number, Level>>();
  readonly #counts = new Map<string, number[]>();

  constructor(document: Document | null) {
    const root = document && inside(document)[0];
    for (const element of root ? inside(root) : []) {
      if (element.name === 'w:abstractNum')
        this.#levels.set(`abstract ${element.attribs['w:abstractNumId'] ?? ''}`, levelsIn(element));
      if (element.name !== 'w:num') continue;
      const id = element.attribs['w:numId'] ?? '';
      const kind = valueOf(element, 'w:abstractNumId');
      const overrides = inside(element).filter(({ name }) => name === 'w:lvlOverride');
      const own = new Map(this.#levels.get(`abstract ${kind}`));
      for (const override of overrides) {
        const level = Number(override.attribs['w:ilvl'] ?? 0);
        const start = valueOf(override, 'w:startOverride');
        const before = levelsIn(override).get(level) ?? own.get(level);
        if (before) own.set(level, { ...before, ...(start === '' ? {} : { start: Number(start) }) });
      }
      this.#levels.set(id, own);
      // Lists of one kind go on counting, unless one of them begins anew.
      this.#kinds.set(id, overrides.some((one) => childNamed(one, 'w:startOverride')) ? `own ${id}` : kind);
    }
  }

  /** How a paragraph of a list counts; `null` where it belongs to none. */
  levelOf({ list, level }: NumberSaid): Level | null {
    return this.#levels.get(list)?.get(level) ?? null;
  }

  /** The number of the next paragraph at a level of a list. */
  next({ list, level }: NumberSaid): number {
    const key = this.#kinds.get(list) ?? list;
    const counts = (this.#counts.get(key) ?? []).slice(0, level + 1);
    for (let at = 0; at <= level; at++)
      counts[at] ??= (this.#levels.get(list)?.get(at)?.start ?? 1) - (at === level ? 1 : 0);
    counts[level] = (counts[level] ?? 0) + 1;
    this.#counts.set(key, counts);
    return counts[level];
  }

  /** The number as it is written before a paragraph that was just counted. */
  written(said: NumberSaid): string {
    const counts = this.#counts.get(this.#kinds.get(said.list) ?? said.list) ?? [];
    return (this.levelOf(said)?.text ?? '').replace(/%(\d)/g, (_, digit: string) => {
      const at = Number(digit) - 1;
      return inFormat(counts[at] ?? 1, this.levelOf({ ...said, level: at })?.format ?? 'decimal');
    });
  }
}

function levelsIn(element: Element): Map<number, Level> {
  return new Map(
    inside(element)
      .filter(({ name }) => name === 'w:lvl')
      .map((level) => [
        Number(level.attribs['w:ilvl'] ?? 0),
        {
          format: valueOf(level, 'w:numFmt') || 'decimal',
          text: valueOf(level, 'w:lvlText'),
          start: Number(valueOf(level, 'w:start') || 1),
        },
      ]),
  );
}

/** HTML's `type` of a list that is numbered in this way; empty for plain numbers. */
export const typeOfNumbers = (format: string): string =>
  ({ lowerLetter: 'a', upperLetter: 'A', lowerRoman: 'i', upperRoman: 'I' })[format] ?? '';

function inFormat(count: number, format: string): string {
  if (format === 'upperRoman') return roman(count);
  if (format === 'lowerRoman') return roman(count).toLowerCase();
  if (format === 'upperLetter') return letter(count);
  if (format === 'lowerLetter') return letter(count).toLowerCase();
  return String(count);
}

/** A, B, … Z, AA, BB, … (ECMA-376-1, 17.18.59). */
const letter = (count: number): string =>
  String.fromCharCode(65 + ((count - 1) % 26)).repeat(Math.ceil(count / 26));
