import { getElementsByTagName } from 'domutils';
import { isTag, type Document, type Element } from 'domhandler';
import { BOUNDS, isId } from '../../manuscript/index.js';
import type { Tally } from './report.js';

/** The ids of all files of a book, made unique over the whole of it. */
export class Ids {
  readonly #final = new Map<string, string>();
  readonly #used = new Set<string>();

  constructor(readonly tally: Tally) {}

  /** Takes in every `id` and `a[name]` of a file. An id that is free and well-formed stays as it is. */
  takeFrom(file: string, document: Document): void {
    for (const element of getElementsByTagName('*', document.children, true))
      if (isTag(element)) for (const id of idsOf(element)) this.#take(file, id, element);
  }

  #take(file: string, id: string, { attribs }: Element): void {
    const key = keyOf(file, id);
    // A bookmark stands on each of the elements that its words are in.
    if (this.#final.has(key) && attribs['data-bookmark'] !== undefined) return;
    if (this.#final.has(key)) return this.tally.add('leftOut', 'ids', 'the same id stood twice in one file');
    const well =
      isId(id) && id.length <= LONGEST
        ? id
        : `id-${id.replace(/[^\p{L}\p{N}\p{M}._·-]+/gu, '-')}`.slice(0, LONGEST);
    const final = this.free(well);
    if (final === id) this.tally.add('kept', 'ids');
    else if (well !== id)
      this.tally.add('changed', 'ids', 'e-books need ids that begin with a letter and have no spaces');
    else this.tally.add('changed', 'ids', 'two files of the book used the same id');
    this.#final.set(key, final);
  }

  /** A free id that begins with these words; it is taken from now on. */
  free(wanted: string): string {
    let id = wanted;
    for (let count = 2; this.#used.has(id); count++) id = `${wanted}-${count}`;
    this.#used.add(id);
    return id;
  }

  /** Gives the final id of each id of a file once: the first time its spot is met. */
  placer(file: string): (id: string) => string | undefined {
    const placed = new Set<string>();
    return (id) => {
      const final = this.find(file, id);
      if (!final || placed.has(final)) return undefined;
      placed.add(final);
      return final;
    };
  }

  /** The final id of an id in a file, if the file has it. */
  find(file: string, id: string): string | undefined {
    return this.#final.get(keyOf(file, id));
  }
}

/** The longest id of a file that stays, in signs: a number is put after it where it is not the only one. */
const LONGEST = BOUNDS.id - 20;

const keyOf = (file: string, id: string) => `${file}\n${id}`;

/** The ids that an element answers to: `id`, and for `a` the old `name`. */
export function idsOf(element: Element): string[] {
  const { id, name } = element.attribs;
  const ids = [id, element.name === 'a' ? name : undefined].filter((one): one is string =>
    Boolean(one?.trim()),
  );
  return [...new Set(ids)];
}
