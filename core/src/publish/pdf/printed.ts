import { hrefOf, type Destination } from '../../destination/index.js';
import type { PdfChoices } from '../choices.js';

/** An address that is printed in a PDF, since links can't be pressed on paper. */
export interface PrintedAddress {
  /** By which the words of its link and the address are told to belong together; 0 for one that stands beside the words. */
  number: number;
  address: string;
  /** The link, and its chapter, by their ids. */
  link: string;
  chapter: string;
}

/** The addresses that the links of a book lead to on paper, numbered in the order of the text. */
export class PrintedAddresses {
  readonly all: PrintedAddress[] = [];
  /** In a list, and as a code, each address of a chapter stands once. */
  readonly #known = new Map<string, number>();
  #last = 0;

  /** @param isWanted whether the address of a link is printed, by its id */
  constructor(
    readonly where: PdfChoices['addresses'],
    private readonly isWanted: (link: string) => boolean = () => true,
  ) {}

  /** The number of the address of a link; `null` where none is printed, as for places and files. */
  of(link: string, destination: Destination, chapter: string): PrintedAddress | null {
    if (this.where === 'none' || (destination.kind !== 'web' && destination.kind !== 'mail')) return null;
    if (!this.isWanted(link)) return null;
    const address = onPaper(destination);
    const key = `${chapter}\n${address}`;
    const known = this.where === 'foot' ? undefined : this.#known.get(key);
    if (known === undefined) this.#known.set(key, ++this.#last);
    const printed = { number: known ?? this.#last, address, link, chapter };
    this.all.push(printed);
    return printed;
  }

  /** One that stands beside the words of its link, where no note can: in a note. */
  beside(link: string, destination: Destination, chapter: string): PrintedAddress | null {
    if (this.where !== 'foot') return this.of(link, destination, chapter);
    if (destination.kind !== 'web' && destination.kind !== 'mail') return null;
    const printed = { number: 0, address: onPaper(destination), link, chapter };
    this.all.push(printed);
    return printed;
  }

  /** The list at the end: the addresses of each chapter that has some, by its id, each number once. */
  get list(): { chapter: string; lines: { number: number; address: string }[] }[] {
    if (this.where !== 'list') return [];
    const chapters = new Map<string, Map<number, string>>();
    for (const { chapter, number, address } of this.all) {
      const lines = chapters.get(chapter) ?? new Map<number, string>();
      chapters.set(chapter, lines.set(number, address));
    }
    return [...chapters].map(([chapter, lines]) => ({
      chapter,
      lines: [...lines].map(([number, address]) => ({ number, address })),
    }));
  }
}

/** An address as one types it: of an email to whom it goes. */
const onPaper = (destination: Destination): string =>
  destination.kind === 'mail' ? destination.to.join(', ') : hrefOf(destination);
