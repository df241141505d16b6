import { isText, isTag, type ChildNode, type Element } from 'domhandler';
import { textContent } from 'domutils';
import render from 'dom-serializer';
import type { Mark, Node } from 'prosemirror-model';
import { LONGEST_ADDRESS, NOWHERE, type Destination } from '../../destination/index.js';
import { languageTold } from '../../language/index.js';
import { attrsOf, NOTHING_ABOUT, schema, type LinkArea } from '../../manuscript/index.js';
import { readFormula, type DrawingLink } from '../../cleaning/index.js';
import { type AreaDraft, drawingAreas, layeredAreas, mapAreas } from './areas.js';
import {
  isBlock,
  isInSmallCapitals,
  MARKS,
  NOT_KEPT,
  PLAIN_STYLE,
  SAYS_OTHERWISE,
  SKIPPED,
} from './elements.js';
import { idsOf } from '../book/ids.js';
import { doiIn, type Resolved } from '../book/link-resolver.js';
import { sizeOfPicture } from './picture-size.js';
import { InlineRun } from './inline-run.js';
import { aboutFrom, altFrom, lookFrom } from './link-says.js';
import type { PageBreaks } from './layout.js';
import { isHidden, type LinkStyles } from './link-styles.js';
import { isBacklink, isComputed, isNoteMark, referenceFrom, returnFrom } from './inside.js';
import type { Counted, Tally } from '../book/report.js';

/** What a file's text needs to know of the book around it. */
export interface Surroundings {
  tally: Tally;
  mint(): string;
  /** The final id of an id in this file; each is placed once, the first time it is met. */
  placeId(id: string): string | undefined;
  /** Where an `href` of this file leads, or why the link can't be kept. */
  resolve(href: string): Resolved;
  /** The enclosure of a picture's `src`, or `null` when it can't be kept. */
  picture(src: string): string | null;
  /** The size of a picture that was kept, in its own pixels. */
  sizeOf(enclosure: string): { width: number; height: number } | null;
  /** The links that stood in a picture which is a drawing. */
  linksIn(enclosure: string): readonly DrawingLink[];
  /** The enclosure of a drawing that stands in the text. */
  drawing(svg: string): string | null;
  /** The rules for links that the page has in itself. */
  styles: LinkStyles;
  /** What begins a page by the style sheets of the file. */
  breaks: PageBreaks;
  /** Links that the file calls marks of notes, and those that it calls ways back. */
  notes: { marks: Set<string>; backs: Set<string> };
}

const LINK_NAMES: Record<Destination['kind'], Counted> = {
  web: 'web links',
  mail: 'email links',
  file: 'file links',
  place: 'links inside the book',
  book: 'links to other books',
};

/** What stands in a line as the mark of a note. */
const NOTING = new Set(['note', 'note_mark']);

const TO_NOWHERE: Destination = { kind: 'place', place: NOWHERE };

const NOWHERE_WHY =
  'they came without an address, or led to a file that did not come along; say where they are to lead';

/** Reads what stands within a line: words, marks, links, pictures, spots. */
export class InlineReader {
  /** Ids that wait for the next spot in the text. */
  protected readonly waiting: string[] = [];

  /** Areas of pictures that are not placed yet, and the elements that became areas. */
  protected readonly areas = new Map<Node, LinkArea[]>();
  /** The widths of pictures that say one, in percent of the line. */
  protected readonly shares = new Map<Node, number>();
  private readonly taken = new Set<Element>();
  /** The bookmarks that were met, by their ids in the file. */
  private readonly bookmarks = new Map<string, string>();

  constructor(protected readonly around: Surroundings) {}

  protected dropped(element: Element): boolean {
    if (SKIPPED.has(element.name) || this.taken.has(element) || isComputed(element)) return true;
    const what = NOT_KEPT[element.name];
    if (!what) return false;
    this.await(element);
    this.around.tally.add('leftOut', what, 'a book can’t carry them');
    // What is said in its place stays: words and links for readers who can't see or hear it.
    return !SAYS_OTHERWISE.has(element.name);
  }

  /** Remembers the ids of an element for the next spot in the text. */
  protected await(element: Element): void {
    for (const id of idsOf(element)) {
      const final = this.around.placeId(id);
      if (final) this.waiting.push(final);
    }
  }

  protected inline(node: ChildNode, marks: readonly Mark[], run: InlineRun): void {
    if (isText(node)) return this.text(node.data, marks, run);
    if (node.type === 'cdata') return node.children.forEach((child) => this.inline(child, marks, run));
    if (!isTag(node) || this.dropped(node)) return;
    if (node.attribs['data-note'] !== undefined) return this.note(node, run);
    if (node.attribs['data-note-mark'] !== undefined) return this.noteMark(node, run);
    // The id of a bookmark stays with its words.
    if (node.attribs['data-bookmark'] === undefined) this.await(node);
    const name = node.name;
    if (name === 'br') return run.add(schema.node('hard_break', null, undefined, marks));
    if (name === 'img' || name === 'image') return this.picture(node, marks, run);
    if (name === 'svg') return this.drawing(node, marks, run);
    if (/^(?:\w+:)?math$/.test(name)) return this.formula(node, marks, run);
    if (node.attribs['data-return'] !== undefined && this.returnLink(node, marks, run)) return;
    if (name === 'a') return this.link(node, marks, run);
    if (name === 'q') return this.quoted(node, marks, run);
    if (name === 'ruby') return this.ruby(node, marks, run);
    if (isBlock(node)) run.space(marks);
    const within = this.bookmarked(node, this.styled(node, this.spoken(node, marks)));
    for (const child of node.children) this.inline(child, within, run);
    if (isBlock(node)) run.space(marks);
  }

  private text(text: string, marks: readonly Mark[], run: InlineRun): void {
    if (text.trim() !== '') this.placeIds(marks, run);
    run.text(text, marks);
  }

  /** Ids without words belong to what follows them; here it stands. */
  protected placeIds(marks: readonly Mark[], run: InlineRun): void {
    for (const id of this.waiting.splice(0)) run.add(schema.node('anchor', { id }, undefined, marks));
  }

  /** What was read of a line or a block; ids after its last words stay with it. */
  protected ended(run: InlineRun): Node[] {
    if (run.saysSomething) this.placeIds([], run);
    return run.finish();
  }

  private quoted(element: Element, marks: readonly Mark[], run: InlineRun): void {
    run.text('“', marks);
    for (const child of element.children) this.inline(child, marks, run);
    run.text('”', marks);
  }

  /** How words are read stands in brackets after them (HTML, 4.5.10), whether or not the file has brackets of its own for it. */
  private ruby(element: Element, marks: readonly Mark[], run: InlineRun): void {
    this.around.tally.add('changed', 'readings', 'they stand in brackets after their words');
    for (const child of element.children) {
      if (isTag(child) && child.name === 'rp') continue;
      const isReading = isTag(child) && /^(?:rt|rtc)$/.test(child.name);
      if (isReading) run.text('(', marks);
      this.inline(child, marks, run);
      if (isReading) run.text(')', marks);
    }
  }

  /** The words of an element in its language, where it says one. */
  protected spoken(element: Element, marks: readonly Mark[]): readonly Mark[] {
    const told = element.attribs.lang ?? element.attribs['xml:lang'];
    if (told === undefined || told.trim() === '') return marks;
    const tag = languageTold(told);
    if (tag !== null) return schema.marks.language.create({ tag }).addToSet(marks);
    this.around.tally.add('leftOut', 'languages of passages', `“${told.slice(0, 40)}” is no language tag`);
    return marks;
  }

  protected styled(element: Element, marks: readonly Mark[]): readonly Mark[] {
    if (PLAIN_STYLE.has(element.name))
      this.around.tally.add('changed', 'decorated words', 'underlining and sizes are not kept');
    const type = schema.marks[MARKS[element.name] ?? ''];
    const within = type ? type.create().addToSet(marks) : marks;
    return isInSmallCapitals(element) ? schema.marks.small_capitals.create().addToSet(within) : within;
  }

  protected linkMarks(element: Element, marks: readonly Mark[], awaiting = true): readonly Mark[] {
    if (awaiting) this.await(element);
    const { href } = element.attribs;
    if (href === undefined) return marks;
    const resolved = this.around.resolve(href);
    if ('leftOut' in resolved) {
      this.around.tally.add('leftOut', 'links', resolved.leftOut);
      return resolved.was ? this.linkTo(TO_NOWHERE, element, marks, resolved.was) : marks;
    }
    const destination = 'missing' in resolved ? TO_NOWHERE : resolved;
    this.around.tally.add('kept', LINK_NAMES[destination.kind]);
    if (doiIn(href) !== null)
      this.around.tally.add('changed', 'links', 'they named a DOI, and lead to doi.org');
    if (destination.kind === 'place' && destination.place === NOWHERE)
      this.around.tally.add('changed', 'links', NOWHERE_WHY);
    return this.linkTo(destination, element, marks, 'missing' in resolved ? resolved.missing : undefined);
  }

  /** @param was the address that it came with, where it leads nowhere for now */
  private linkTo(
    destination: Destination,
    element: Element,
    marks: readonly Mark[],
    was?: string,
  ): readonly Mark[] {
    const about = aboutFrom(element, this.around.tally);
    return schema.marks.link
      .create({
        id: this.around.mint(),
        destination,
        hoverNote: element.attribs.title?.trim() ?? '',
        about: was ? { ...NOTHING_ABOUT, ...about, was: was.slice(0, LONGEST_ADDRESS) } : about,
        look: lookFrom(element, this.around.styles),
      })
      .addToSet(this.spoken(element, marks));
  }

  /** A link without words stays: an anchor carries it, and the audit will find it. */
  private link(element: Element, marks: readonly Mark[], run: InlineRun): void {
    const within = this.linkMarks(element, marks, false);
    const mark = within === marks ? undefined : within.find(({ type }) => type === schema.marks.link);
    if (mark && this.reference(element, mark, marks, run)) return;
    if (mark && isNoteMark(element)) this.around.notes.marks.add(attrsOf.link(mark).id);
    if (mark && isBacklink(element)) this.around.notes.backs.add(attrsOf.link(mark).id);
    if (mark) this.placeIds(marks, run);
    const before = run.length;
    for (const child of element.children) {
      if (mark && isTag(child) && isHidden(child))
        this.around.tally.add('leftOut', 'words', 'they were hidden in links');
      else this.inline(child, within, run);
    }
    if (!mark || run.length > before) return;
    if (this.waiting.length > 0) this.placeIds(within, run);
    else run.add(schema.node('anchor', null, undefined, within));
  }

  /** A reference that was live in the book which the file was made from is live here too. */
  private reference(element: Element, mark: Mark, marks: readonly Mark[], run: InlineRun): boolean {
    const { id, destination } = attrsOf.link(mark);
    const node = referenceFrom(element, destination, id);
    if (!node) return false;
    this.around.tally.add('kept', 'references');
    this.placeIds(marks, run);
    run.add(node.mark([...marks]));
    return true;
  }

  private returnLink(element: Element, marks: readonly Mark[], run: InlineRun): boolean {
    const node = returnFrom(element, this.around.mint());
    if (!node) return false;
    this.placeIds(marks, run);
    run.add(node.mark([...marks]));
    return true;
  }

  private bookmarked(element: Element, marks: readonly Mark[]): readonly Mark[] {
    const { id, 'data-bookmark': name } = element.attribs;
    if (name === undefined || id === undefined) return marks;
    const first = this.around.placeId(id);
    if (first) this.around.tally.add('kept', 'bookmarks');
    // Words in several elements may bear one bookmark.
    const final = first ?? this.bookmarks.get(id);
    if (!final) return marks;
    this.bookmarks.set(id, final);
    return schema.marks.bookmark.create({ id: final, name }).addToSet(marks);
  }

  /** A note with its remark, as the schema has it. */
  private note(element: Element, run: InlineRun): void {
    const paragraphs = element.children.filter(isTag).map((paragraph) => {
      const inner = new InlineRun();
      for (const child of paragraph.children) this.inline(child, [], inner);
      const content = this.ended(inner).filter(({ type }) => !NOTING.has(type.name));
      return schema.node('note_paragraph', null, content);
    });
    const said = paragraphs.filter(({ childCount }) => childCount > 0);
    if (said.length === 0) said.push(schema.node('note_paragraph'));
    this.around.tally.add('kept', 'notes');
    this.placeIds([], run);
    const id = this.around.placeId(element.attribs.id ?? '') ?? this.around.mint();
    run.add(schema.node('note', { id, back: '' }, said));
  }

  /** Another mark of a note that stands elsewhere. */
  private noteMark(element: Element, run: InlineRun): void {
    const to = this.around.resolve(`#${element.attribs['data-note-mark'] ?? ''}`);
    if (!('kind' in to) || to.kind !== 'place') return;
    this.around.tally.add('kept', 'marks of notes');
    this.placeIds([], run);
    run.add(schema.node('note_mark', { id: this.around.mint(), to: to.place }));
  }

  private picture(element: Element, marks: readonly Mark[], run: InlineRun): void {
    const { src } = element.attribs;
    const alt = altFrom(element);
    const enclosure = this.around.picture(src ?? element.attribs['xlink:href'] ?? element.attribs.href ?? '');
    if (!enclosure) return this.text(alt ?? '', marks, run);
    this.around.tally.add('kept', 'pictures');
    this.placeIds(marks, run);
    const decorative = alt !== undefined && alt.trim() === '';
    const picture = schema.node(
      'picture',
      { enclosure, alt: alt?.trim() ?? '', decorative },
      undefined,
      marks,
    );
    const { share, isFixed, isAside } = sizeOfPicture(element);
    if (share !== null) this.shares.set(picture, share);
    else if (isFixed)
      this.around.tally.add('changed', 'sizes of pictures', 'only shares of the line are kept as widths');
    if (isAside) this.around.tally.add('changed', 'places of pictures', 'they stood at one side of the text');
    this.place(picture, [
      ...mapAreas(element, this.around.sizeOf(enclosure)),
      ...layeredAreas(element),
      ...drawingAreas(this.around.linksIn(enclosure)),
    ]);
    run.add(picture);
  }

  /** Remembers the parts of a picture that lead somewhere until it is a figure. */
  private place(picture: Node, drafts: (AreaDraft | null)[]): void {
    const areas = drafts.flatMap((draft): LinkArea[] => {
      if (!draft) {
        this.around.tally.add('leftOut', 'links', 'they stood in a drawing, and where can’t be told');
        return [];
      }
      const { element, href, name, hoverNote, frame, box, reshaped, isCut } = draft;
      if (element) this.taken.add(element);
      const resolved = this.around.resolve(href);
      if ('leftOut' in resolved) {
        this.around.tally.add('leftOut', 'links', resolved.leftOut);
        return [];
      }
      const destination = 'missing' in resolved ? TO_NOWHERE : resolved;
      this.around.tally.add('kept', 'parts of pictures that are links');
      if (isCut)
        this.around.tally.add(
          'changed',
          'parts of pictures',
          'they lay partly or wholly outside of their picture, and were cut',
        );
      if (reshaped) this.around.tally.add('changed', 'parts of pictures', 'they became rectangles');
      return [{ id: this.around.mint(), name, destination, hoverNote, frame, ...box }];
    });
    if (areas.length > 0) this.areas.set(picture, areas);
  }

  private formula(element: Element, marks: readonly Mark[], run: InlineRun): void {
    const formula = readFormula(render(element, { xmlMode: true }));
    this.around.tally.add(
      formula ? 'kept' : 'changed',
      'formulas',
      formula ? undefined : 'what they are written in can’t be read, so they became plain words',
    );
    if (!formula) return this.text(textContent(element), marks, run);
    this.placeIds(marks, run);
    run.add(schema.node('formula', formula, undefined, marks));
  }

  /** A drawing that only wraps one picture, as covers often do, is that picture. */
  private drawing(element: Element, marks: readonly Mark[], run: InlineRun): void {
    const inside = element.children.filter((child): child is Element => isTag(child));
    const [first] = inside;
    if (inside.length === 1 && first?.name === 'image') return this.picture(first, marks, run);
    const title = inside.find((child) => child.name === 'title');
    const enclosure = this.around.drawing(render(element, { xmlMode: true }));
    if (!enclosure) return;
    this.around.tally.add('kept', 'pictures');
    this.placeIds(marks, run);
    const alt = (element.attribs['aria-label'] ?? (title ? textContent(title) : '')).trim();
    const picture = schema.node('picture', { enclosure, alt }, undefined, marks);
    this.place(picture, drawingAreas(this.around.linksIn(enclosure)));
    run.add(picture);
  }
}
