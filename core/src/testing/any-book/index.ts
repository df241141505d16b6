import fc, { type GeneratorValue } from 'fast-check';
import type { Node } from 'prosemirror-model';
import { DEFAULT_STRUCTURE, schema, type ReadBook, type Structure } from '../../manuscript/index.js';
import {
  bookOf,
  contents,
  counter,
  figure,
  heading,
  linked,
  note,
  noteMark,
  paragraph,
  place,
  reference,
  structured,
  table,
} from '../books.js';

/** Something of a book that is written once every place of the book is known. */
type Later<Made> = () => Made;

// Words of several scripts, and signs that mean something in one of the made forms.
const WORDS =
  'lamp wind sea stair wick glass harbour tide office Lützen naïve маяк φάρος x² AT&T <b> "quote" #hash $x$ _u_ *s* @at \\back [br] {cu} ~ - -- ... 1. + = / //'.split(
    ' ',
  );
const FORMS = ['words', 'number', 'number-words', 'page', 'where', 'own'];
const OWN = 'see {words}, {number}, {page} {where}';
const formula = (sign: string, isBlock: boolean) =>
  schema.node('formula', {
    mathml: `<math xmlns="http://www.w3.org/1998/Math/MathML"${isBlock ? ' display="block"' : ''}><msup><mi>${sign}</mi><mn>2</mn></msup></math>`,
    words: `${sign} 2`,
  });
/** Deeper than this, there are only paragraphs. */
const DEEPEST = 2;

/**
 * Any book in which everything leads somewhere: places, references, notes, lists of contents and return links, in any
 * order and nested in any way that the schema allows, with any structure.
 */
export const anyBook = (): fc.Arbitrary<ReadBook> => fc.gen().map((pick) => new Writer(pick).book());

class Writer {
  readonly #mint = counter('i');
  readonly #places: string[] = ['c1'];
  readonly #notes: string[] = [];

  constructor(readonly pick: GeneratorValue) {}

  book(): ReadBook {
    const chapters = this.#several(4, () => {
      const title = this.#below(6) === 0 ? [] : [this.#heading(1)];
      return [...title, ...this.#several(10, () => this.#block(0))];
    });
    const book = bookOf(...chapters.map((blocks) => blocks.map((write) => write())));
    for (const chapter of book.chapters) chapter.matter = this.#one(['front', 'main', 'main', 'back']);
    return { ...structured(book, this.#structure()), language: this.#one(['en', 'de', 'fr']) };
  }

  #structure(): Structure {
    const returns: Structure['returns']['to'][] = [['top'], ['contents'], ['origin'], ['top', 'origin']];
    return {
      ...DEFAULT_STRUCTURE,
      numbering: this.#one(['none', 'decimal', 'parts']),
      notes: {
        count: this.#one(['chapter', 'book']),
        stand: this.#one(['page', 'chapter', 'book']),
        back: this.#one(['', 'Up again']),
      },
      returns: { after: this.#below(4), to: this.#one(returns) },
    };
  }

  #block(depth: number): Later<Node> {
    const kinds = [
      () => this.#paragraph(),
      () => this.#paragraph(),
      () => this.#heading(1 + this.#below(6)),
      () => this.#list(depth),
      () => this.#terms(depth),
      () => this.#quotation(depth),
      () => this.#contents(),
      () => this.#code(),
      () => this.#table(),
      () => this.#figure(),
      () => this.#room(),
    ];
    return depth > DEEPEST ? this.#paragraph() : this.#one(kinds)();
  }

  #paragraph(): Later<Node> {
    const line = this.#line(8);
    const newPage = this.#below(12) === 0;
    return () => {
      const made = paragraph(...line());
      return newPage ? made.type.create({ ...made.attrs, newPage }, made.content) : made;
    };
  }

  #heading(level: number): Later<Node> {
    const id = this.#place();
    // Names that are there twice, and headings with notes and links in them.
    const words = this.#one(['Same name', `${this.#words(4)} `]);
    const line = this.#below(4) === 0 ? this.#line(2) : () => [];
    const uncounted = this.#below(8) === 0;
    const newPage = level > 1 && this.#below(8) === 0;
    return () =>
      schema.node('heading', { level, id, uncounted, newPage }, [...heading(1, words).children, ...line()]);
  }

  #list(depth: number): Later<Node> {
    const items = this.#several(3, () => this.#several(2, () => this.#block(depth + 1)));
    const name = this.#one(['bullet_list', 'ordered_list']);
    const item = (blocks: Later<Node>[]) => schema.node('list_item', null, written(blocks));
    return () => schema.node(name, null, items.map(item));
  }

  #terms(depth: number): Later<Node> {
    const groups = this.#several(2, () => {
      const [id, line] = [this.#place(), this.#line(3)];
      const blocks = this.#several(2, () => this.#block(depth + 1));
      return () => [schema.node('term', { id }, line()), schema.node('meaning', null, written(blocks))];
    });
    return () => schema.node('term_list', null, written(groups).flat());
  }

  #quotation(depth: number): Later<Node> {
    const blocks = this.#several(2, () => this.#block(depth + 1));
    return () => schema.node('quotation', null, written(blocks));
  }

  #contents(): Later<Node> {
    const attrs = {
      scope: this.#one(['book', 'section']),
      depth: 1 + this.#below(3),
      back: this.#below(3) === 0,
      backWords: this.#one(['', 'up']),
    };
    const id = this.#place();
    return () => contents(attrs, id);
  }

  #code(): Later<Node> {
    const [id, words] = [this.#place(), this.#words(5)];
    return () => schema.node('code_block', { id }, [schema.text(words)]);
  }

  #table(): Later<Node> {
    const [id, words, line] = [this.#place(), this.#words(3), this.#line(6)];
    return () => table(id, words, ...line());
  }

  #room(): Later<Node> {
    const [id, height, ruled] = [this.#place(), 5 + this.#below(60), this.#below(2) === 0];
    return () => schema.node('room', { id, height, ruled });
  }

  #figure(): Later<Node> {
    const [id, words] = [this.#place(), this.#words(3)];
    const [link, area] = [this.#mint(), this.#mint()];
    const credit = this.#below(3) === 0 ? this.#line(2, true) : null;
    const newPage = this.#below(8) === 0;
    return () => {
      const { attrs, content } = figure(id, words);
      const more = { destination: this.#destination(), hoverNote: '' };
      const box = { x: 0.1, y: 0.1, width: 0.3, height: 0.4, frame: null };
      const leads = this.#one([
        {},
        { link: { id: link, ...more } },
        { areas: [{ id: area, name: 'Lamp', ...box, ...more }] },
      ]);
      const credited = credit ? content.addToEnd(schema.node('credit', null, credit())) : content;
      return schema.node('figure', { ...attrs, ...leads, newPage }, credited);
    };
  }

  /** What stands in a line, of at most so many pieces. */
  #line(most: number, isNote = false): Later<Node[]> {
    const kinds = [
      () => this.#text(),
      () => this.#text(),
      () => this.#link(),
      () => this.#reference(),
      () => this.#returnLink(),
      () => () => [schema.node('hard_break')],
      () => () => [formula('x', this.#below(3) === 0), schema.text(' ')],
    ];
    if (!isNote)
      kinds.push(
        () => this.#bookmark(),
        () => this.#anchor(),
        () => this.#note(),
        () => this.#noteMark(),
      );
    const pieces = this.#several(most, () => this.#one(kinds)());
    return () => written(pieces).flat();
  }

  #text(): Later<Node[]> {
    const words = `${this.#words(12)} `;
    const { emphasis, strong, struck, small_capitals, superscript, language } = schema.marks;
    const marks = this.#one([
      [],
      [],
      [],
      [emphasis.create()],
      [strong.create()],
      [struck.create()],
      [small_capitals.create()],
      [superscript.create()],
      [language.create({ tag: 'la' })],
    ]);
    return () => [schema.text(words, marks)];
  }

  #link(): Later<Node[]> {
    const [id, words] = [this.#mint(), this.#words(3)];
    return () => [linked(words, this.#destination(), id), schema.text(' ')];
  }

  #reference(): Later<Node[]> {
    const [id, form] = [this.#mint(), this.#one(FORMS)];
    return () => [reference(this.#one(this.#places), form, id, form === 'own' ? OWN : ''), schema.text(' ')];
  }

  #returnLink(): Later<Node[]> {
    const attrs = { id: this.#mint(), to: this.#one(['top', 'contents', 'origin']) };
    return () => [schema.node('return_link', attrs), schema.text(' ')];
  }

  #bookmark(): Later<Node[]> {
    const [id, words] = [this.#place(), this.#words(3)];
    const mark = schema.marks.bookmark.create({ id, name: `Spot ${id}` });
    return () => [schema.text(words, [mark]), schema.text(' ')];
  }

  #anchor(): Later<Node[]> {
    const id = this.#place();
    return () => [schema.node('anchor', { id })];
  }

  #note(): Later<Node[]> {
    const id = this.#place();
    this.#notes.push(id);
    const paragraphs = this.#several(2, () => this.#line(3, true));
    return () => [note(id, ...written(paragraphs)), schema.text(this.#one([' ', '. ', ', ']))];
  }

  #noteMark(): Later<Node[]> {
    const id = this.#mint();
    return () => (this.#notes.length > 0 ? [noteMark(this.#one(this.#notes), id), schema.text(' ')] : []);
  }

  #destination() {
    return this.#one([
      place(this.#one(this.#places)),
      { kind: 'web' as const, href: `https://lamps.example/${this.#below(9)}` },
    ]);
  }

  #place(): string {
    const id = this.#mint();
    this.#places.push(id);
    return id;
  }

  readonly #words = (most: number): string => this.#several(most, () => this.#one(WORDS)).join(' ');
  readonly #below = (end: number): number => this.pick(fc.nat, { max: end - 1 });
  readonly #one = <Item>(list: readonly Item[]): Item => list[this.#below(list.length)] as Item;
  readonly #several = <Item>(most: number, make: () => Item): Item[] =>
    Array.from({ length: 1 + this.#below(most) }, make);
}

const written = <Made>(all: readonly Later<Made>[]): Made[] => all.map((write) => write());
