import type { Mark, Node } from 'prosemirror-model';
import { directionOf, directionOfWords, phrases } from '../../language/index.js';
import {
  attrsOf,
  beginsPage,
  BETWEEN_RETURNS,
  composedOf,
  CONTENTS,
  figureParts,
  idOf,
  linkMark,
  noteMarkOf,
  saidOfPicture,
  sectionsOf,
  TOP,
  type FigureLink,
  type LinkArea,
  type LinkAttrs,
  type Matter,
  type ReadChapter,
  roomName,
  roomRows,
  rowsOf,
  tableCaption,
} from '../../manuscript/index.js';
import { PICTURE_EXTENSIONS, targetIn, type Edition } from '../edition/edition.js';
import { MarkedPlaces } from '../edition/marked-places.js';
import { shownSize } from '../edition/picture-width.js';
import { isReturnLine } from '../edition/return-lines.js';
import {
  areaWords,
  bookLines,
  contentsLines,
  isCountedThere,
  labelOf,
  labelParts,
  listedIn,
  type ContentsLine,
} from '../edition/said.js';
import { placeCells } from '../edition/table-grid.js';
import { withBook } from '../edition/with-book.js';
import { element, escapeXml } from '../markup/xml.js';
import { formulaXml } from './formula.js';
import { DEEPEST, Lists } from './numbering.js';
import { Relations } from './package.js';
import { languageXml, lookOfLinks } from './styles.js';

/** The width of a line in CSS px (A4 with margins of 2.5 cm), and English Metric Units in one. */
const LINE = 605;
const PIXEL = 9525;
/** A picture of nothing, for programs that can't show a drawing. */
const BLANK = Uint8Array.from(
  atob('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNgYGD4DwABBAEAX+XDSwAAAABJRU5ErkJggg=='),
  (sign) => sign.charCodeAt(0),
);

/** Where a block stands. */
interface Around {
  /** How deep in lists, from 0. */
  level: number;
  /** The style of plain paragraphs there. */
  style: string;
}

const TEXT: Around = { level: 0, style: '' };

/** Writes the text of a book as WordprocessingML. */
export class DocumentWriter {
  readonly relations = new Relations();
  readonly noteRelations = new Relations();
  readonly lists = new Lists();
  readonly media = new Map<string, Uint8Array>();
  readonly notes: string[] = [];
  #drawings = 0;
  #bookmarks = 0;
  /** The relations of the part that is being written. */
  #part = this.relations;
  #matter: Matter = 'main';
  readonly #places: MarkedPlaces;
  /** Notes stand at the end of their chapter or of the book, not at the foot of the page. */
  readonly areEndnotes: boolean;

  constructor(readonly edition: Edition) {
    this.#places = new MarkedPlaces(edition);
    this.areEndnotes = edition.book.structure.notes.stand !== 'page';
  }

  /** The content of `w:body`. */
  body(): string {
    const { book } = this.edition;
    const { notes } = book.structure;
    const areSections =
      this.edition.map.notes.length > 0 && (notes.count === 'chapter' || notes.stand === 'chapter');
    const chapters = book.chapters.map((chapter, index) => {
      const text = this.#chapter(chapter);
      return areSections && index < book.chapters.length - 1
        ? `${text}<w:p><w:pPr>${SECTION('nextPage')}</w:pPr></w:p>`
        : text;
    });
    return `${this.#titlePage()}${this.#contentsPage()}${chapters.join('')}${this.#listWithBook()}${SECTION(areSections ? 'nextPage' : null)}`;
  }

  #titlePage(): string {
    const { title, subtitle, author } = this.edition.book;
    const lines: [string, string][] = [
      ['Title', title],
      ['Subtitle', subtitle],
      ['Author', author],
    ];
    return lines
      .filter(([, words]) => words !== '')
      .map(([style, words], at) => this.#paragraph(style, (at === 0 ? this.#spot(TOP) : '') + run(words)))
      .join('');
  }

  /** The contents of the whole book, which a program makes anew. */
  #contentsPage(): string {
    const { map, book } = this.edition;
    const listed = Math.min(6, listedIn(this.edition));
    const lines = bookLines(this.edition, listed);
    if (lines.length === 0 && map.byId.size === 0 && !this.#places.isWanted(CONTENTS)) return '';
    const title = this.#paragraph(
      'TOCHeading',
      this.#bookmark(this.edition.nameOf(CONTENTS), '') + run(phrases(book.language).contents),
      '<w:pageBreakBefore/>',
    );
    return tagged('computed', title + this.#toc(`TOC \\o "1-${listed}" \\h \\z`, lines));
  }

  #toc(code: string, lines: readonly ContentsLine[], look = ''): string {
    if (lines.length === 0) return this.#paragraph('TOC1', field(code, '', true));
    return lines
      .map(({ place, words, depth }, at) => {
        const name = this.edition.nameOf(place);
        const page = `${run('', '<w:tab/>')}${field(`PAGEREF ${name} \\h`, '', true)}`;
        const link = element(
          'w:hyperlink',
          { 'w:anchor': name, 'w:history': '1' },
          run(words, '', look) + page,
        );
        const opening = at === 0 ? fieldOpens(code, true) : '';
        const closing = at === lines.length - 1 ? fieldChar('end') : '';
        return this.#paragraph(`TOC${Math.min(6, depth)}`, opening + link + closing);
      })
      .join('');
  }

  #chapter({ id, doc, matter }: ReadChapter): string {
    this.#matter = matter;
    const ends = new Map<number, string[]>();
    const starts = new Map<string, string>();
    for (const { id: section, to } of sectionsOf(doc)) {
      const list = section === null ? undefined : this.#listOfSection(section);
      if (section === null || !list) continue;
      const mark = (this.#bookmarks += 1);
      starts.set(section, `<w:bookmarkStart w:id="${mark}" w:name="${list}"/>`);
      ends.set(to, [...(ends.get(to) ?? []), `<w:bookmarkEnd w:id="${mark}"/>`]);
    }
    this.#sections = starts;
    this.#places.wait(id);
    this.#breaks = true;
    let text = '';
    doc.forEach((node, offset, index) => {
      text += (ends.get(offset) ?? []).join('');
      text += this.#block(node, TEXT, doc.maybeChild(index - 1));
    });
    return text + (ends.get(doc.content.size) ?? []).join('');
  }

  #sections = new Map<string, string>();
  /** The next paragraph begins a page. */
  #breaks = false;

  /** The bookmark over a section that a list of contents is about. */
  #listOfSection(section: string): string | undefined {
    const isInFlow = this.edition.book.chapters.some(({ doc }) =>
      sectionsOf(doc).some(({ id }) => id === section),
    );
    return isInFlow && [...this.edition.map.contents.values()].some((list) => list.section === section)
      ? `_sec_${this.edition.nameOf(section)}`.slice(0, 40)
      : undefined;
  }

  #blocks(parent: Node, around: Around): string {
    return parent.children.map((node, at) => this.#block(node, around, parent.maybeChild(at - 1))).join('');
  }

  #block(node: Node, around: Around, before: Node | null): string {
    const { name } = node.type;
    const isAgain = before?.type.name === name;
    if (beginsPage(node)) this.#breaks = true;
    switch (name) {
      case 'paragraph': {
        const written = this.#paragraph(around.style, this.#line(node), directed(node));
        return isReturnLine(node) ? tagged('computed', written) : written;
      }
      case 'heading':
        return this.#heading(node);
      case 'quotation': {
        const isPlain = node.children.every((one) => one.type.name === 'paragraph') && around.style === '';
        this.#places.wait(idOf(node));
        return isPlain && !isAgain
          ? this.#blocks(node, { ...around, style: 'Quote' })
          : tagged('quotation', this.#blocks(node, { ...around, style: '' }));
      }
      case 'bullet_list':
      case 'ordered_list':
        return this.#list(node, around);
      case 'term_list': {
        const written = this.#blocks(node, around);
        return isAgain ? tagged('apart', written) : written;
      }
      case 'term':
        return this.#paragraph('DefinitionTerm', this.#line(node), directed(node));
      case 'meaning': {
        const [only] = node.children;
        this.#places.wait(idOf(node));
        return node.childCount === 1 && only?.type.name === 'paragraph'
          ? this.#paragraph('Definition', this.#line(only), directed(only))
          : tagged('meaning', this.#blocks(node, TEXT));
      }
      case 'code_block': {
        const written = this.#paragraph('HTMLPreformatted', this.#line(node));
        return isAgain ? tagged('apart', written) : written;
      }
      case 'rule':
        this.#places.wait(idOf(node));
        return this.#paragraph(
          '',
          '',
          '<w:pBdr><w:bottom w:val="single" w:sz="6" w:space="1" w:color="auto"/></w:pBdr>',
        );
      case 'room':
        return this.#room(node);
      case 'figure':
        return this.#figure(node);
      case 'table':
        return this.#table(node);
      case 'contents':
        return this.#contents(node);
      default:
        throw new RangeError(`no way to write a ${name}`);
    }
  }

  #paragraph(style: string, content: string, more = ''): string {
    const held = this.#places.waiting().reduce((inner, name) => this.#bookmark(name, inner), content);
    const breaks = this.#breaks && held !== '' ? '<w:pageBreakBefore/>' : '';
    if (breaks) this.#breaks = false;
    const properties = `${style === '' ? '' : `<w:pStyle w:val="${style}"/>`}${inOrder(breaks + more)}`;
    return `<w:p>${properties && `<w:pPr>${properties}</w:pPr>`}${held}</w:p>`;
  }

  /** Content with the bookmark of a place on it, where anything leads there. */
  #held(id: string | null, content: string): string {
    const name = this.#places.take(id);
    return name === null ? content : this.#bookmark(name, content);
  }

  /** A bookmark on no words, where anything leads there. */
  #spot(id: string | null): string {
    return this.#held(id, '');
  }

  #bookmark(name: string, content: string): string {
    const mark = (this.#bookmarks += 1);
    return `<w:bookmarkStart w:id="${mark}" w:name="${escapeXml(name)}"/>${content}<w:bookmarkEnd w:id="${mark}"/>`;
  }

  #heading(node: Node): string {
    const { id, level } = attrsOf.heading(node);
    const label = labelOf(this.edition, id);
    const isLive = isCountedThere(this.edition, this.#matter, label);
    const written = label !== '' && !isLive ? run(`${label} `) : '';
    const held = this.#held(id, this.#inlines(node));
    const section = (id !== null && this.#sections.get(id)) || '';
    const counts =
      this.edition.book.structure.numbering === 'decimal' && !isLive
        ? '<w:numPr><w:ilvl w:val="0"/><w:numId w:val="0"/></w:numPr>'
        : '';
    return this.#paragraph(`Heading${level}`, section + written + held, counts + directed(node));
  }

  #list(list: Node, { level }: Around): string {
    this.#places.wait(idOf(list));
    const ordered = list.type.name === 'ordered_list';
    const at = Math.min(DEEPEST, level);
    const number = this.lists.add(ordered, at, ordered ? attrsOf.orderedList(list).start : 1);
    const counted = `<w:numPr><w:ilvl w:val="${at}"/><w:numId w:val="${number}"/></w:numPr>`;
    return list.children.map((item) => this.#item(item, counted, level)).join('');
  }

  #item(item: Node, counted: string, level: number): string {
    this.#places.wait(idOf(item));
    const [first] = item.children;
    const begins = first?.type.name === 'paragraph';
    const written = begins
      ? this.#paragraph('', this.#line(first), counted + directed(first))
      : this.#paragraph('', '', counted);
    const rest = item.children.slice(begins ? 1 : 0).map((one, at) => {
      if (/_list$/.test(one.type.name) && one.type.name !== 'term_list')
        return this.#list(one, { level: level + 1, style: '' });
      if (one.type.name === 'paragraph' && level < 5)
        return this.#paragraph(
          level === 0 ? 'ListContinue' : `ListContinue${level + 1}`,
          this.#line(one),
          directed(one),
        );
      return tagged(`item ${level}`, this.#block(one, TEXT, item.maybeChild(at + (begins ? 0 : -1))));
    });
    return written + rest.join('');
  }

  #figure(node: Node): string {
    const { id, link, areas, enclosure, width, decorative } = attrsOf.figure(node);
    const { caption, credit } = figureParts(node);
    const shown = this.#picture(enclosure, saidOfPicture(node), decorative, width, link);
    const place = caption ? '' : this.#spot(id);
    const picture = this.#paragraph('', place + shown, caption ? '<w:keepNext/>' : '');
    const words = caption ? this.#caption(caption, id, 'figure', '') : '';
    const below = credit ? this.#paragraph('Credit', this.#line(credit), directed(credit)) : '';
    return picture + words + below + this.#areas(node, areas);
  }

  /** Room to write: a paragraph of its height, or one for each ruled line. */
  #room(node: Node): string {
    const room = attrsOf.room(node);
    this.#places.wait(idOf(node));
    const { count, high } = roomRows(room);
    const exactly = `<w:spacing w:before="0" w:after="0" w:line="${Math.round((high * 1440) / 25.4)}" w:lineRule="exact"/>`;
    const written = Array.from({ length: count }, () =>
      this.#paragraph(room.ruled ? 'RoomRuled' : 'Room', '', exactly),
    );
    return tagged(roomName(room), written.join(''));
  }

  /** A caption with its number as a field; what leads to the thing leads to its label. */
  #caption(caption: Node, id: string | null, kind: 'figure' | 'table', more: string): string {
    const words = this.#line(caption);
    if (labelOf(this.edition, id) === '')
      return this.#paragraph('Caption', this.#held(id, words), more + directed(caption));
    const { said, number } = labelParts(this.edition, id);
    const counted =
      run(said) + field(`SEQ ${kind === 'figure' ? 'Figure' : 'Table'} \\* ARABIC`, run(number));
    const name = this.#places.take(id);
    if (name === null) return this.#paragraph('Caption', `${counted}${run(' ')}${words}`, more);
    const whole = `${this.#bookmark(name, counted)}${run(' ')}${this.#bookmark(partOf(name, 'words'), words)}`;
    return this.#paragraph('Caption', this.#bookmark(partOf(name, 'all'), whole), more);
  }

  /** Parts of a picture that lead somewhere are a list of links below it. */
  #areas(node: Node, areas: readonly LinkArea[]): string {
    if (areas.length === 0) return '';
    const counted = `<w:numPr><w:ilvl w:val="0"/><w:numId w:val="${this.lists.add(false, 0, 1)}"/></w:numPr>`;
    return areas
      .map((area) => {
        const words = areaWords(this.edition, node, area);
        const leads = targetIn(this.edition, area.destination) !== null;
        const link = { id: area.id, destination: area.destination, hoverNote: area.hoverNote };
        return this.#paragraph(
          '',
          this.#linked(link, run(words, '', leads ? '<w:rStyle w:val="Hyperlink"/>' : '')),
          counted,
        );
      })
      .join('');
  }

  #table(node: Node): string {
    const id = idOf(node);
    const caption = tableCaption(node);
    const before = caption ? this.#caption(caption, id, 'table', '<w:keepNext/>') : '';
    if (!caption) this.#places.wait(id);
    const rows = rowsOf(node);
    const { columns, cells } = placeCells(
      rows.map((row) =>
        row.children.map((cell) => ({
          ...attrsOf.cell(cell),
          cell,
          isHead: cell.type.name === 'table_header',
        })),
      ),
    );
    const width = Math.floor(9072 / columns);
    const written = rows.map((row, y) => {
      const here = cells
        .filter((cell) => cell.y <= y && y < cell.y + cell.rowspan)
        .sort((one, other) => one.x - other.x);
      const isHead = row.childCount > 0 && row.children.every(({ type }) => type.name === 'table_header');
      const content = here.map((cell) => {
        const properties = [
          `<w:tcW w:w="${width * cell.colspan}" w:type="dxa"/>`,
          cell.colspan > 1 ? `<w:gridSpan w:val="${cell.colspan}"/>` : '',
          cell.rowspan > 1 ? `<w:vMerge${cell.y === y ? ' w:val="restart"' : ''}/>` : '',
        ].join('');
        if (cell.y === y) this.#places.wait(idOf(cell.cell));
        const text = cell.y === y ? this.#blocks(cell.cell, TEXT) : '<w:p/>';
        // A cell ends with a paragraph (ECMA-376-1, 17.4.65).
        return `<w:tc><w:tcPr>${properties}</w:tcPr>${text}${/<\/w:p>$|<w:p\/>$/.test(text) ? '' : '<w:p/>'}</w:tc>`;
      });
      return `<w:tr>${isHead ? '<w:trPr><w:tblHeader/></w:trPr>' : ''}${content.join('')}</w:tr>`;
    });
    const grid = `<w:tblGrid>${`<w:gridCol w:w="${width}"/>`.repeat(columns)}</w:tblGrid>`;
    const sides = ['top', 'left', 'bottom', 'right', 'insideH', 'insideV'];
    const borders = `<w:tblBorders>${sides.map((side) => `<w:${side} w:val="single" w:sz="4" w:space="0" w:color="auto"/>`).join('')}</w:tblBorders>`;
    // Tables that follow one another would be one.
    return `${before}<w:tbl><w:tblPr><w:tblW w:w="0" w:type="auto"/>${borders}</w:tblPr>${grid}${written.join('')}</w:tbl><w:p/>`;
  }

  #contents(node: Node): string {
    const { id, scope, depth, look } = attrsOf.contents(node);
    const list = this.edition.map.contents.get(id);
    this.#places.wait(idOf(node));
    const section = scope === 'section' ? (list?.section ?? null) : null;
    const level = (section !== null && this.edition.places.get(section)?.level) || 0;
    const within =
      section === null ? '' : ` \\b ${this.#listOfSection(section) ?? this.edition.nameOf(section)}`;
    const code = `TOC \\o "${level + 1}-${Math.min(9, level + depth)}" \\h \\z${within}`;
    return this.#toc(code, contentsLines(this.edition, id), look ? lookOfLinks(look) : '');
  }

  /** The words of a line as runs, with its links, bookmarks and notes. */
  #line(block: Node): string {
    return this.#held(idOf(block), this.#inlines(block));
  }

  #inlines(block: Node): string {
    let written = '';
    let open: { mark: Mark; runs: string } | null = null;
    const bookmarks = new Map<string, number>();
    const put = (xml: string) => {
      if (open) open.runs += xml;
      else written += xml;
    };
    const closeLink = () => {
      if (!open) return;
      const { mark, runs } = open;
      open = null;
      put(this.#linked(attrsOf.link(mark), runs));
    };
    block.children.forEach((leaf) => {
      const link = linkMark(leaf);
      const held = leaf.marks
        .filter(({ type }) => type.name === 'bookmark')
        .map((mark) => attrsOf.bookmark(mark));
      for (const [id, mark] of [...bookmarks])
        if (!held.some((one) => one.id === id)) {
          bookmarks.delete(id);
          put(`<w:bookmarkEnd w:id="${mark}"/>`);
        }
      if (open && !(link && link.eq((open as { mark: Mark }).mark))) closeLink();
      if (link && !open) open = { mark: link, runs: '' };
      for (const { id } of held) {
        const name = this.#places.takeAnyway(id);
        if (name === null) continue;
        const mark = (this.#bookmarks += 1);
        bookmarks.set(id, mark);
        put(`<w:bookmarkStart w:id="${mark}" w:name="${escapeXml(name)}"/>`);
      }
      put(this.#leaf(leaf, link ?? null));
    });
    closeLink();
    for (const mark of bookmarks.values()) put(`<w:bookmarkEnd w:id="${mark}"/>`);
    return written;
  }

  #linked(
    {
      id,
      destination,
      hoverNote,
      about,
    }: Pick<LinkAttrs, 'id' | 'destination' | 'hoverNote'> & Partial<LinkAttrs>,
    runs: string,
  ): string {
    const target = targetIn(this.edition, destination);
    const origin = this.#spot(id);
    if (!target) return origin + runs;
    const to: Record<string, string> =
      'place' in target
        ? { 'w:anchor': this.edition.nameOf(target.place) }
        : { 'r:id': this.#part.to('hyperlink', target.href, true) };
    return (
      origin +
      element(
        'w:hyperlink',
        {
          ...to,
          'w:tooltip': hoverNote || null,
          'w:tgtFrame': about?.newWindow ? '_blank' : null,
          'w:history': '1',
        },
        runs,
      )
    );
  }

  #leaf(leaf: Node, link: Mark | null): string {
    const look = this.#lookOf(leaf, link);
    switch (leaf.type.name) {
      case 'text':
        return textRuns(leaf.text ?? '', look);
      case 'hard_break':
        return run('', '<w:br/>', look);
      case 'anchor':
        return this.#spot(idOf(leaf));
      case 'picture': {
        const { enclosure, decorative } = attrsOf.picture(leaf);
        return this.#spot(idOf(leaf)) + this.#picture(enclosure, saidOfPicture(leaf), decorative, null, null);
      }
      case 'formula':
        return formulaXml(attrsOf.formula(leaf).mathml, attrsOf.formula(leaf).words);
      case 'note':
      case 'note_mark':
        return this.#noteMark(leaf);
      case 'reference':
        return this.#reference(leaf, look);
      case 'return_link':
        return this.#spot(idOf(leaf)) + this.#returnLinks(leaf);
      default:
        throw new RangeError(`no way to write a ${leaf.type.name}`);
    }
  }

  #lookOf(leaf: Node, link: Mark | null): string {
    const has = (name: string) => leaf.marks.some(({ type }) => type.name === name);
    const own = link ? attrsOf.link(link).look : null;
    const leads = link && targetIn(this.edition, attrsOf.link(link).destination) !== null;
    const tag = leaf.marks.find(({ type }) => type.name === 'language');
    const language = tag ? attrsOf.language(tag).tag : null;
    const isRtl =
      leaf.isText && (directionOfWords(leaf.text ?? '') ?? directionOf(this.edition.book.language)) === 'rtl';
    const isCode = has('code');
    return [
      leads ? '<w:rStyle w:val="Hyperlink"/>' : isCode ? '<w:rStyle w:val="HTMLCode"/>' : '',
      leads && isCode ? '<w:rFonts w:ascii="Courier New" w:hAnsi="Courier New" w:cs="Courier New"/>' : '',
      has('strong') ? '<w:b/>' : '',
      has('emphasis') ? '<w:i/>' : '',
      has('small_capitals') ? '<w:smallCaps/>' : '',
      has('struck') ? '<w:strike/>' : '',
      own ? lookOfLinks({ ...own, weight: has('strong') ? 'regular' : own.weight }) : '',
      has('superscript')
        ? '<w:vertAlign w:val="superscript"/>'
        : has('subscript')
          ? '<w:vertAlign w:val="subscript"/>'
          : '',
      isRtl ? '<w:rtl/>' : '',
      language ? languageXml(language) : '',
    ].join('');
  }

  /** A note stands at the first mark of its chapter, by which it is counted; every other mark is a field that reads its number. */
  #noteMark(leaf: Node): string {
    const { id, of } = noteMarkOf(leaf);
    const note = this.edition.map.byId.get(of);
    if (!note) return this.#spot(id);
    const first = note.marks.find(({ chapter }) => chapter === note.chapter);
    if (first?.id === id) return this.#spot(id) + this.#note(note.node);
    const number = run(note.number, '', '<w:rStyle w:val="FootnoteReference"/>');
    return this.#spot(id) + field(`NOTEREF ${this.edition.nameOf(of)} \\f \\h`, number);
  }

  #note(note: Node): string {
    const { id } = attrsOf.note(note);
    const number = this.notes.length + 2;
    const kind = this.areEndnotes ? 'endnote' : 'footnote';
    this.notes.push('');
    const outer = this.#part;
    this.#part = this.noteRelations;
    const paragraphs = note.children.map((paragraph, at) => {
      const mark =
        at === 0 ? `${run('', `<w:${kind}Ref/>`, '<w:rStyle w:val="FootnoteReference"/>')}${run(' ')}` : '';
      return `<w:p><w:pPr><w:pStyle w:val="FootnoteText"/></w:pPr>${mark}${this.#line(paragraph)}</w:p>`;
    });
    this.#part = outer;
    this.notes[number - 2] = `<w:${kind} w:id="${number}">${paragraphs.join('')}</w:${kind}>`;
    const mark = run('', `<w:${kind}Reference w:id="${number}"/>`, '<w:rStyle w:val="FootnoteReference"/>');
    // By its bookmark a note is known when the file is read back.
    this.#places.takeAnyway(id);
    return this.#bookmark(this.edition.nameOf(id), mark);
  }

  /** A reference as a field, with the words that it reads now. */
  #reference(node: Node, look: string): string {
    const { id, place, form } = attrsOf.reference(node);
    const origin = this.#spot(id);
    const said = this.edition.say(node);
    const target = this.edition.places.get(place);
    if (!target) return origin + run(said, '', look);
    const name = this.edition.nameOf(place);
    const words = (text: string) => run(text, '', look);
    const whole = (code: string) => field(code, words(said));
    if (target.kind === 'note' && form !== 'page' && form !== 'where' && form !== 'own')
      return origin + whole(`NOTEREF ${name} \\h`);
    const captioned = target.kind === 'figure' || target.kind === 'table';
    switch (form) {
      case 'page':
        return origin + field(`PAGEREF ${name} \\h`, words(said), true);
      case 'where':
        return origin + whole(`REF ${name} \\p \\h`);
      case 'number':
        return origin + whole(captioned || target.label === '' ? `REF ${name} \\h` : `REF ${name} \\r \\h`);
      case 'number-words':
        if (captioned && target.label !== '') return origin + whole(`REF ${partOf(name, 'all')} \\h`);
        if (target.label === '') return origin + whole(`REF ${name} \\h`);
        return origin + this.#composed(node, look);
      case 'own':
        return origin + this.#composed(node, look);
      default:
        return origin + whole(`REF ${captioned && target.label !== '' ? partOf(name, 'words') : name} \\h`);
    }
  }

  /** The author's words with what is computed in them, as one reference. */
  #composed(node: Node, look: string): string {
    const ask = attrsOf.reference(node);
    const name = this.edition.nameOf(ask.place);
    const parts = composedOf(ask).map((part) =>
      'form' in part
        ? this.#reference(node.type.create({ ...node.attrs, form: part.form, own: '' }), look)
        : element(
            'w:hyperlink',
            { 'w:anchor': name, 'w:history': '1' },
            run(part.said, '', `<w:rStyle w:val="Hyperlink"/>${look}`),
          ),
    );
    return tagged('reference', parts.join(''));
  }

  #returnLinks(node: Node): string {
    const { nameOf } = this.edition;
    return this.edition
      .returnsOf(node)
      .map(({ to, words }) =>
        element(
          'w:hyperlink',
          { 'w:anchor': nameOf(to), 'w:history': '1' },
          run(words, '', '<w:rStyle w:val="Hyperlink"/>'),
        ),
      )
      .join(run(BETWEEN_RETURNS));
  }

  #picture(
    id: string,
    alt: string,
    decorative: boolean,
    share: number | null,
    link: FigureLink | null,
  ): string {
    const file = this.edition.enclosures.get(id);
    const extension = file && PICTURE_EXTENSIONS[file.type];
    if (!file || !extension) return run(alt);
    const path = `media/${id}.${extension}`;
    this.media.set(path, file.bytes);
    const isDrawing = extension === 'svg';
    if (isDrawing) this.media.set('media/blank.png', BLANK);
    const shown = this.#part.to('image', isDrawing ? 'media/blank.png' : path, false);
    const drawing = isDrawing
      ? `<a:extLst><a:ext uri="{96DAC541-7B7A-43D3-8B79-37D633B846F1}"><asvg:svgBlip r:embed="${this.#part.to('image', path, false)}"/></a:ext></a:extLst>`
      : '';
    const { width, height } = shownSize(file, share, LINE);
    const size = {
      cx: String(Math.max(1, Math.round(width * PIXEL))),
      cy: String(Math.max(1, Math.round(height * PIXEL))),
    };
    const number = String((this.#drawings += 1));
    const target = link && targetIn(this.edition, link.destination);
    const address = target && ('place' in target ? `#${this.edition.nameOf(target.place)}` : target.href);
    const origin = link ? this.#spot(link.id) : '';
    const said = { id: number, name: `Picture ${number}`, descr: alt || (decorative ? '' : null) };
    const properties = element(
      'wp:docPr',
      said,
      (address
        ? element('a:hlinkClick', {
            'r:id': this.#part.to('hyperlink', address, true),
            tooltip: link?.hoverNote || null,
          })
        : '') +
        (decorative
          ? '<a:extLst><a:ext uri="{C183D7F6-B498-43B3-948B-1728B52AA6E4}"><adec:decorative val="1"/></a:ext></a:extLst>'
          : ''),
    );
    const blip = `<pic:blipFill><a:blip r:embed="${shown}">${drawing}</a:blip><a:stretch><a:fillRect/></a:stretch></pic:blipFill>`;
    const shape = `<pic:spPr><a:xfrm><a:off x="0" y="0"/>${element('a:ext', size)}</a:xfrm><a:prstGeom prst="rect"><a:avLst/></a:prstGeom></pic:spPr>`;
    const picture = `<pic:pic><pic:nvPicPr>${element('pic:cNvPr', { id: number, name: `Picture ${number}` })}<pic:cNvPicPr/></pic:nvPicPr>${blip}${shape}</pic:pic>`;
    return `${origin}<w:r><w:drawing><wp:inline distT="0" distB="0" distL="0" distR="0">${element('wp:extent', size)}${properties}<a:graphic><a:graphicData uri="http://schemas.openxmlformats.org/drawingml/2006/picture">${picture}</a:graphicData></a:graphic></wp:inline></w:drawing></w:r>`;
  }

  /** The list of what goes with the book, for links that can't lead to the thing itself. */
  #listWithBook(): string {
    const { title, entries } = withBook(this.edition);
    if (entries.length === 0) return '';
    const lines = entries.map(
      ({ id, name, about }) =>
        this.#paragraph('DefinitionTerm', this.#bookmark(this.edition.nameOf(id), run(name))) +
        this.#paragraph('Definition', run(about)),
    );
    return tagged(
      'computed',
      this.#paragraph('Heading1', run(title), '<w:pageBreakBefore/>') + lines.join(''),
    );
  }
}

const SECTION = (type: string | null): string =>
  `<w:sectPr>${type ? `<w:type w:val="${type}"/>` : ''}<w:pgSz w:w="11906" w:h="16838"/><w:pgMar w:top="1417" w:right="1417" w:bottom="1417" w:left="1417" w:header="708" w:footer="708" w:gutter="0"/></w:sectPr>`;

/** What has no style of its own stands in a content control that says what it is; programs show its text as any other. */
const tagged = (tag: string, content: string): string =>
  `<w:sdt><w:sdtPr><w:tag w:val="vennet:${tag}"/></w:sdtPr><w:sdtContent>${content}</w:sdtContent></w:sdt>`;

/** Properties of paragraphs stand in one order (ECMA-376-1, 17.3.1.26). */
const ORDER = ['w:keepNext', 'w:pageBreakBefore', 'w:numPr', 'w:pBdr', 'w:bidi', 'w:spacing', 'w:sectPr'];
function inOrder(properties: string): string {
  return ORDER.map(
    (name) => new RegExp(`<${name}(?:/>|>.*?</${name}>)`, 's').exec(properties)?.[0] ?? '',
  ).join('');
}

/** A paragraph runs as its first letter does. */
function directed(block: Node): string {
  return directionOfWords(block.textContent) === 'rtl' ? '<w:bidi/>' : '';
}

/** The bookmark over a whole caption, or over its words; that of the thing itself is on its label. */
const partOf = (name: string, part: 'all' | 'words'): string => `${name.slice(0, 34)}_${part}`;

/** A run of words, or of what stands in its place. */
function run(text: string, content = '', look = ''): string {
  const inner = content || (text === '' ? '' : `<w:t xml:space="preserve">${escapeXml(text)}</w:t>`);
  return inner === '' ? '' : `<w:r>${look && `<w:rPr>${look}</w:rPr>`}${inner}</w:r>`;
}

/** Words with tabs and ends of lines, which are elements of their own. */
const textRuns = (text: string, look: string): string =>
  text
    .split(/(\t|\n)/)
    .map((part) =>
      part === '\t'
        ? run('', '<w:tab/>', look)
        : part === '\n'
          ? run('', '<w:br/>', look)
          : run(part, '', look),
    )
    .join('');

const fieldChar = (type: string, isDirty = false): string =>
  `<w:r><w:fldChar w:fldCharType="${type}"${isDirty ? ' w:dirty="true"' : ''}/></w:r>`;

const fieldOpens = (code: string, isDirty: boolean): string =>
  `${fieldChar('begin', isDirty)}<w:r><w:instrText xml:space="preserve"> ${escapeXml(code)} </w:instrText></w:r>${fieldChar('separate')}`;

/** A field with its result; a dirty one is computed when the document is opened. */
const field = (code: string, result: string, isDirty = false): string =>
  fieldOpens(code, isDirty) + result + fieldChar('end');
