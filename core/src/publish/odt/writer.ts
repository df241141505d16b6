import type { Mark, Node } from 'prosemirror-model';
import { readFormula } from '../../cleaning/index.js';
import { phrases } from '../../language/index.js';
import {
  attrsOf,
  beginsPage,
  BETWEEN_RETURNS,
  figureParts,
  type LinkLook,
  composedOf,
  CONTENTS,
  idOf,
  noteMarkOf,
  saidOfPicture,
  TOP,
  type FigureLink,
  type LinkAttrs,
  type Matter,
  type ReadChapter,
  roomName,
  roomRows,
  rowsOf,
  tableCaption,
} from '../../manuscript/index.js';
import { PICTURE_EXTENSIONS, targetIn, type Edition } from '../edition/edition.js';
import { inlineTree, type InlineTree } from '../edition/inline-tree.js';
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
import { coded, languageOf, lookOfLinks } from './styles.js';

/** The width of a line in CSS px (A4 with margins of 2.5 cm), and millimetres in one. */
const LINE = 605;
const PIXEL = 25.4 / 96;

/** Where a block stands: in the flow, or in the item of a list, which holds paragraphs and lists only. */
interface Around {
  isItem: boolean;
  style: string;
}

const TEXT: Around = { isItem: false, style: 'Text body' };

/** Writes the text of a book as OpenDocument. */
export class TextWriter {
  readonly media = new Map<string, Uint8Array>();
  readonly formulas: string[] = [];
  readonly #automatic = new Map<string, string>();
  /** The styles of paragraphs that are made from others. */
  readonly #paragraphs = new Map<string, { name: string; parent: string; properties: string }>();
  readonly #places: MarkedPlaces;
  #parts = 0;
  #tables = 0;
  #matter: Matter = 'main';
  readonly areEndnotes: boolean;

  constructor(readonly edition: Edition) {
    this.#places = new MarkedPlaces(edition);
    this.areEndnotes = edition.book.structure.notes.stand !== 'page';
  }

  /** The content of `office:text`. */
  body(): string {
    const chapters = this.edition.book.chapters.map((chapter) => this.#chapter(chapter));
    return `${this.#titlePage()}${this.#contentsPage()}${chapters.join('')}${this.#listWithBook()}`;
  }

  /** The styles that stand for languages and looks of single words. */
  automaticStyles(): string {
    const paragraphs = [...this.#paragraphs.values()].map(
      ({ name, parent, properties }) =>
        `<style:style style:name="${name}" style:family="paragraph" style:parent-style-name="${coded(parent)}"><style:paragraph-properties ${properties}/></style:style>`,
    );
    const words = [...this.#automatic].map(
      ([properties, name]) =>
        `<style:style style:name="${name}" style:family="text"><style:text-properties ${properties}/></style:style>`,
    );
    return [...paragraphs, ...words].join('');
  }

  #titlePage(): string {
    const { title, subtitle, author } = this.edition.book;
    return [
      ['Title', title],
      ['Subtitle', subtitle],
      ['Author', author],
    ]
      .filter(([, words]) => words !== '')
      .map(([style = '', words = ''], at) =>
        this.#paragraph(style, (at === 0 ? point(this.edition.nameOf(TOP)) : '') + textOf(words)),
      )
      .join('');
  }

  #contentsPage(): string {
    const { book, nameOf } = this.edition;
    const listed = Math.min(6, listedIn(this.edition));
    const lines = bookLines(this.edition, listed);
    if (lines.length === 0 && !this.#places.isWanted(CONTENTS)) return '';
    const title = this.#paragraph(
      'Contents Heading',
      point(nameOf(CONTENTS)) + textOf(phrases(book.language).contents),
    );
    return this.#boxed('computed', title + this.#listOfContents('book', listed, lines), false);
  }

  #listOfContents(
    scope: string,
    depth: number,
    lines: readonly ContentsLine[],
    look: LinkLook | null = null,
  ): string {
    const name = `Contents ${(this.#parts += 1)}`;
    const body = lines.map(({ place, words, depth: own }) => {
      const target = this.edition.nameOf(place);
      const page = `<text:tab/>${element('text:bookmark-ref', { 'text:reference-format': 'page', 'text:ref-name': target })}`;
      const link = element(
        'text:a',
        { 'xlink:type': 'simple', 'xlink:href': `#${target}` },
        (look
          ? element(
              'text:span',
              { 'text:style-name': this.#automaticStyle(lookOfLinks(look)) },
              textOf(words),
            )
          : textOf(words)) + page,
      );
      return this.#paragraph(`Contents ${Math.min(6, own)}`, link);
    });
    const source = element('text:table-of-content-source', {
      'text:outline-level': String(Math.min(10, depth)),
      'text:index-scope': scope === 'section' ? 'chapter' : 'document',
    });
    return element(
      'text:table-of-content',
      { 'text:name': name },
      `${source}<text:index-body>${body.join('')}</text:index-body>`,
    );
  }

  #chapter({ id, doc, matter }: ReadChapter): string {
    this.#matter = matter;
    this.#places.wait(id);
    return this.#blocks(doc, TEXT);
  }

  #blocks(parent: Node, around: Around): string {
    return parent.children.map((node, at) => this.#block(node, around, parent.maybeChild(at - 1))).join('');
  }

  /** What has no style of its own stands in a section of a telling name, or in a frame where sections can't stand. */
  #boxed(kind: string, content: string, inFrame: boolean): string {
    const name = `${kind} ${(this.#parts += 1)}`;
    if (!inFrame) return element('text:section', { 'text:name': name }, content);
    const box = `<draw:text-box fo:min-height="1cm">${content}</draw:text-box>`;
    return this.#paragraph(
      'Text body',
      element('draw:frame', { 'draw:name': name, 'text:anchor-type': 'as-char', 'svg:width': '15cm' }, box),
    );
  }

  #block(node: Node, around: Around, before: Node | null): string {
    const { name } = node.type;
    const isAgain = before?.type.name === name;
    if (beginsPage(node)) this.#breaks = true;
    switch (name) {
      case 'paragraph': {
        const written = this.#paragraph(around.style, this.#line(node));
        return isReturnLine(node) ? this.#boxed('computed', written, around.isItem) : written;
      }
      case 'heading':
        return this.#heading(node);
      case 'quotation': {
        this.#places.wait(idOf(node));
        const isPlain =
          node.children.every((one) => one.type.name === 'paragraph') && around.style === 'Text body';
        return isPlain && !isAgain
          ? this.#blocks(node, { ...around, style: 'Quotations' })
          : this.#boxed('quotation', this.#blocks(node, TEXT), around.isItem);
      }
      case 'bullet_list':
      case 'ordered_list':
        return this.#list(node);
      case 'term_list': {
        this.#places.wait(idOf(node));
        const written = this.#blocks(node, around);
        return isAgain ? this.#boxed('apart', written, around.isItem) : written;
      }
      case 'term':
        return this.#paragraph('Definition Term', this.#line(node));
      case 'meaning': {
        this.#places.wait(idOf(node));
        const [only] = node.children;
        return node.childCount === 1 && only?.type.name === 'paragraph'
          ? this.#paragraph('Definition', this.#line(only))
          : this.#boxed('meaning', this.#blocks(node, TEXT), around.isItem);
      }
      case 'code_block': {
        const written = this.#paragraph('Preformatted Text', this.#line(node));
        return isAgain ? this.#boxed('apart', written, around.isItem) : written;
      }
      case 'rule':
        this.#places.wait(idOf(node));
        return this.#paragraph('Horizontal Line', '');
      case 'room':
        return this.#room(node, around.isItem);
      case 'figure':
        return this.#figure(node);
      case 'table': {
        const written = this.#table(node);
        return around.isItem ? this.#boxed('apart', written, true) : written;
      }
      case 'contents': {
        const written = this.#contents(node);
        return around.isItem ? this.#boxed('apart', written, true) : written;
      }
      default:
        throw new RangeError(`no way to write a ${name}`);
    }
  }

  #paragraph(style: string, content: string): string {
    return element('text:p', { 'text:style-name': this.#styleHere(style) }, this.#heldByWaiting(content));
  }

  /** The next paragraph begins a page. */
  #breaks = false;

  /** The style of a paragraph; one that begins a page has one of its own made from it. */
  #styleHere(style: string): string {
    if (!this.#breaks) return coded(style);
    this.#breaks = false;
    return this.#paragraphStyle(style, 'fo:break-before="page"');
  }

  #paragraphStyle(parent: string, properties: string): string {
    const key = `${parent} ${properties}`;
    const known = this.#paragraphs.get(key);
    const name = known?.name ?? `P${this.#paragraphs.size + 1}`;
    this.#paragraphs.set(key, { name, parent, properties });
    return name;
  }

  /** Content with the bookmarks of the places that wait for words. */
  #heldByWaiting(content: string): string {
    return this.#places.waiting().reduce((inner, name) => held(name, inner), content);
  }

  #held(id: string | null, content: string): string {
    const name = this.#places.take(id);
    return name === null ? content : held(name, content);
  }

  #spot(id: string | null): string {
    return this.#held(id, '');
  }

  #heading(node: Node): string {
    const { id, level } = attrsOf.heading(node);
    const label = labelOf(this.edition, id);
    const isLive = isCountedThere(this.edition, this.#matter, label);
    const words = this.#held(id, this.#inlines(node));
    const inner = this.#heldByWaiting((label !== '' && !isLive ? textOf(`${label} `) : '') + words);
    const attributes = {
      'text:style-name': this.#styleHere(`Heading ${level}`),
      'text:outline-level': String(level),
      'text:is-list-header': this.edition.book.structure.numbering === 'decimal' && !isLive ? 'true' : null,
    };
    return element('text:h', attributes, inner);
  }

  #list(list: Node): string {
    this.#places.wait(idOf(list));
    const ordered = list.type.name === 'ordered_list';
    const start = ordered ? attrsOf.orderedList(list).start : 1;
    const items = list.children.map((item, at) => {
      this.#places.wait(idOf(item));
      const content = this.#blocks(item, { isItem: true, style: 'Text body' });
      return element(
        'text:list-item',
        { 'text:start-value': ordered && at === 0 && start !== 1 ? String(start) : null },
        content,
      );
    });
    return element('text:list', { 'text:style-name': ordered ? 'Numbers' : 'Bullets' }, items.join(''));
  }

  #figure(node: Node): string {
    const { id, link, areas, enclosure, width, decorative } = attrsOf.figure(node);
    const { caption, credit } = figureParts(node);
    const place = caption ? '' : this.#spot(id);
    const shown = this.#linkedPicture(link, this.#picture(enclosure, saidOfPicture(node), decorative, width));
    const picture = this.#paragraph('Text body', place + shown);
    const words = caption ? this.#caption(caption, id, 'Illustration') : '';
    const items = areas.map((area) => {
      const said = areaWords(this.edition, node, area);
      return `<text:list-item>${this.#paragraph('Text body', this.#linked({ ...area, about: null, look: null }, textOf(said)))}</text:list-item>`;
    });
    return (
      picture +
      words +
      (credit ? this.#paragraph('Credit', this.#line(credit)) : '') +
      (items.length > 0 ? element('text:list', { 'text:style-name': 'Bullets' }, items.join('')) : '')
    );
  }

  /** Room to write: a paragraph of its height, or one for each ruled line. */
  #room(node: Node, inFrame: boolean): string {
    const room = attrsOf.room(node);
    this.#places.wait(idOf(node));
    const { count, high } = roomRows(room);
    const properties = `fo:margin-top="0cm" fo:margin-bottom="0cm" fo:line-height="${high / 10}cm"`;
    const style = this.#paragraphStyle(room.ruled ? 'Room Ruled' : 'Room', properties);
    const written = Array.from({ length: count }, () =>
      element('text:p', { 'text:style-name': style }, this.#heldByWaiting('')),
    );
    return this.#boxed(roomName(room), written.join(''), inFrame);
  }

  #linkedPicture(link: FigureLink | null, picture: string): string {
    if (!link) return picture;
    const target = targetIn(this.edition, link.destination);
    const origin = this.#spot(link.id);
    if (!target) return origin + picture;
    const attributes = {
      'xlink:type': 'simple',
      'xlink:href': this.#address(target),
      'office:title': link.hoverNote || null,
    };
    return origin + element('draw:a', attributes, picture);
  }

  #address(target: { href: string } | { place: string }): string {
    return 'place' in target ? `#${encodeURI(this.edition.nameOf(target.place))}` : beside(target.href);
  }

  /** A caption with its number as a field. */
  #caption(caption: Node, id: string | null, style: 'Illustration' | 'Table'): string {
    const words = this.#line(caption);
    if (labelOf(this.edition, id) === '') return this.#paragraph(style, this.#held(id, words));
    const { said, number } = labelParts(this.edition, id);
    const name = style === 'Table' ? 'Table' : 'Illustration';
    const counted = element(
      'text:sequence',
      {
        'text:ref-name': id === null ? null : `seq ${this.edition.nameOf(id)}`,
        'text:name': name,
        'text:formula': `ooow:${name}+1`,
        'style:num-format': '1',
      },
      escapeXml(number),
    );
    return this.#paragraph(style, this.#held(id, `${textOf(said)}${counted}${textOf(' ')}${words}`));
  }

  #table(node: Node): string {
    const id = idOf(node);
    const caption = tableCaption(node);
    const before = caption ? this.#caption(caption, id, 'Table') : '';
    if (!caption) this.#places.wait(id);
    const rows = rowsOf(node);
    const { columns, cells } = placeCells(
      rows.map((row) => row.children.map((cell) => ({ ...attrsOf.cell(cell), cell }))),
    );
    const isHead = (row: Node) => row.children.every(({ type }) => type.name === 'table_header');
    const heads = rows.findIndex((row) => !isHead(row));
    const written = rows.map((_row, y) => {
      let content = '';
      for (let x = 0; x < columns; x++) {
        const cell = cells.find(
          (one) => one.y <= y && y < one.y + one.rowspan && one.x <= x && x < one.x + one.colspan,
        );
        if (!cell) content += '<table:table-cell><text:p/></table:table-cell>';
        else if (cell.x !== x || cell.y !== y) content += '<table:covered-table-cell/>';
        else {
          this.#places.wait(idOf(cell.cell));
          content += element(
            'table:table-cell',
            {
              'table:number-columns-spanned': cell.colspan > 1 ? String(cell.colspan) : null,
              'table:number-rows-spanned': cell.rowspan > 1 ? String(cell.rowspan) : null,
            },
            this.#blocks(cell.cell, TEXT),
          );
        }
      }
      return `<table:table-row>${content}</table:table-row>`;
    });
    const count = heads < 0 ? rows.length : heads;
    const head =
      count > 0
        ? `<table:table-header-rows>${written.slice(0, count).join('')}</table:table-header-rows>`
        : '';
    const column = element('table:table-column', { 'table:number-columns-repeated': String(columns) });
    return (
      before +
      element(
        'table:table',
        { 'table:name': `Table ${(this.#tables += 1)}` },
        column + head + written.slice(count).join(''),
      )
    );
  }

  #contents(node: Node): string {
    const { id, scope, depth, look } = attrsOf.contents(node);
    this.#places.wait(id);
    const waiting = this.#places.waiting().map(point).join('');
    return (
      (waiting ? this.#paragraph('Text body', waiting) : '') +
      this.#listOfContents(scope, depth, contentsLines(this.edition, id), look)
    );
  }

  #line(block: Node): string {
    return this.#held(idOf(block), this.#inlines(block));
  }

  /** The words of a line; bookmarks begin and end at the words that bear them. */
  #inlines(block: Node): string {
    const open = new Map<string, string>();
    const edges = new Map<Node, { starts: string; ends: string }>();
    let last: Node | null = null;
    block.forEach((leaf) => {
      const named = leaf.marks
        .filter(({ type }) => type.name === 'bookmark')
        .map((mark) => attrsOf.bookmark(mark).id);
      const edge = { starts: '', ends: '' };
      for (const [id, name] of [...open])
        if (!named.includes(id) && last) {
          open.delete(id);
          const before = edges.get(last);
          if (before) before.ends += mark('end', name);
        }
      for (const id of named) {
        const name = this.#places.takeAnyway(id);
        if (name === null) continue;
        open.set(id, name);
        edge.starts += mark('start', name);
      }
      edges.set(leaf, edge);
      last = leaf;
    });
    const end = last ? edges.get(last) : undefined;
    if (end) for (const name of open.values()) end.ends += mark('end', name);
    return inlineTree(block)
      .map((tree) => this.#tree(tree, edges, null))
      .join('');
  }

  #tree(
    tree: InlineTree,
    edges: ReadonlyMap<Node, { starts: string; ends: string }>,
    link: Mark | null,
  ): string {
    if ('leaf' in tree) {
      const { starts = '', ends = '' } = edges.get(tree.leaf) ?? {};
      return starts + this.#leaf(tree.leaf) + ends;
    }
    const { mark: one, children } = tree;
    const inner = children
      .map((child) => this.#tree(child, edges, one.type.name === 'link' ? one : link))
      .join('');
    if (one.type.name === 'link') {
      const { look } = attrsOf.link(one);
      return this.#linked(
        attrsOf.link(one),
        look
          ? element('text:span', { 'text:style-name': this.#automaticStyle(lookOfLinks(look)) }, inner)
          : inner,
      );
    }
    const style =
      one.type.name === 'language'
        ? this.#automaticStyle(languageOf(attrsOf.language(one).tag))
        : STYLES[one.type.name];
    return style ? element('text:span', { 'text:style-name': coded(style) }, inner) : inner;
  }

  #automaticStyle(properties: string): string {
    const name = this.#automatic.get(properties) ?? `W${this.#automatic.size + 1}`;
    this.#automatic.set(properties, name);
    return name;
  }

  #linked(
    {
      id,
      destination,
      hoverNote,
      about,
    }: Pick<LinkAttrs, 'id' | 'destination' | 'hoverNote'> & Partial<LinkAttrs>,
    inner: string,
  ): string {
    const target = targetIn(this.edition, destination);
    const origin = this.#spot(id);
    if (!target) return origin + inner;
    const attributes = {
      'xlink:type': 'simple',
      'xlink:href': this.#address(target),
      'office:title': hoverNote || null,
      'office:target-frame-name': about?.newWindow ? '_blank' : null,
      'text:style-name': 'Internet_20_Link',
    };
    return origin + element('text:a', attributes, inner);
  }

  #leaf(leaf: Node): string {
    switch (leaf.type.name) {
      case 'text':
        return textOf(leaf.text ?? '');
      case 'hard_break':
        return '<text:line-break/>';
      case 'anchor':
        return this.#spot(idOf(leaf));
      case 'picture': {
        const { enclosure, decorative } = attrsOf.picture(leaf);
        return this.#spot(idOf(leaf)) + this.#picture(enclosure, saidOfPicture(leaf), decorative, null);
      }
      case 'formula':
        return this.#formula(leaf);
      case 'note':
      case 'note_mark':
        return this.#noteMark(leaf);
      case 'reference':
        return this.#reference(leaf);
      case 'return_link':
        return this.#spot(idOf(leaf)) + this.#returnLinks(leaf);
      default:
        throw new RangeError(`no way to write a ${leaf.type.name}`);
    }
  }

  #formula(leaf: Node): string {
    const { mathml, words } = attrsOf.formula(leaf);
    const formula = readFormula(mathml);
    if (!formula) return textOf(words);
    this.formulas.push(formula.mathml);
    const object = element('draw:object', {
      'xlink:href': `./Object ${this.formulas.length}`,
      'xlink:type': 'simple',
      'xlink:show': 'embed',
      'xlink:actuate': 'onLoad',
    });
    return element(
      'draw:frame',
      { 'draw:name': `Formula ${this.formulas.length}`, 'text:anchor-type': 'as-char' },
      `${object}<svg:desc>${escapeXml(words)}</svg:desc>`,
    );
  }

  /** A note stands at the first mark of its chapter, by which it is counted. */
  #noteMark(leaf: Node): string {
    const { id, of } = noteMarkOf(leaf);
    const note = this.edition.map.byId.get(of);
    if (!note) return this.#spot(id);
    const kind = this.areEndnotes ? 'endnote' : 'footnote';
    const name = this.edition.nameOf(of);
    const first = note.marks.find(({ chapter }) => chapter === note.chapter);
    if (first?.id !== id) {
      const field = element(
        'text:note-ref',
        { 'text:note-class': kind, 'text:reference-format': 'text', 'text:ref-name': `note ${name}` },
        escapeXml(note.number),
      );
      return `${this.#spot(id)}<text:span text:style-name="Raised">${element('text:meta', { 'xml:id': `mark-${(this.#parts += 1)}` }, field)}</text:span>`;
    }
    const back = this.#spot(id);
    this.#places.takeAnyway(of);
    // What waits is for the words around the mark.
    const remark = this.#places.apart(() =>
      note.node.children.map((paragraph) => this.#paragraph('Footnote', this.#line(paragraph))).join(''),
    );
    const written = element(
      'text:note',
      { 'text:id': `note ${name}`, 'text:note-class': kind },
      `<text:note-citation>${escapeXml(note.number)}</text:note-citation><text:note-body>${remark}</text:note-body>`,
    );
    return back + point(name) + written;
  }

  #reference(node: Node): string {
    const { id, place, form } = attrsOf.reference(node);
    const origin = this.#spot(id);
    const said = this.edition.say(node);
    const target = this.edition.places.get(place);
    if (!target) return origin + textOf(said);
    const name = this.edition.nameOf(place);
    if (
      form === 'own' ||
      (form === 'number-words' && target.label !== '' && !['figure', 'table', 'note'].includes(target.kind))
    )
      return origin + this.#composed(node);
    const isCaptioned = (target.kind === 'figure' || target.kind === 'table') && target.label !== '';
    const [tag, kind] =
      target.kind === 'note' && form !== 'page' && form !== 'where'
        ? ['note-ref', 'note ']
        : isCaptioned && form !== 'page' && form !== 'where'
          ? ['sequence-ref', 'seq ']
          : ['bookmark-ref', ''];
    const formats: Record<string, string> = {
      page: 'page',
      where: 'direction',
      number: isCaptioned ? 'category-and-value' : target.label === '' ? 'text' : 'number',
      'number-words': 'text',
      words: isCaptioned ? 'caption' : 'text',
    };
    const attributes = {
      'text:note-class': tag === 'note-ref' ? (this.areEndnotes ? 'endnote' : 'footnote') : null,
      'text:reference-format': formats[form] ?? 'text',
      'text:ref-name': kind + name,
    };
    return origin + element(`text:${tag}`, attributes, textOf(said));
  }

  /** The author's words with what is computed in them, as one reference. */
  #composed(node: Node): string {
    const ask = attrsOf.reference(node);
    const target = `#${encodeURI(this.edition.nameOf(ask.place))}`;
    const parts = composedOf(ask).map((part) =>
      'form' in part
        ? this.#reference(node.type.create({ ...node.attrs, form: part.form, own: '' }))
        : element('text:a', { 'xlink:type': 'simple', 'xlink:href': target }, textOf(part.said)),
    );
    return element('text:meta', { 'xml:id': `reference-${(this.#parts += 1)}` }, parts.join(''));
  }

  #returnLinks(node: Node): string {
    const { nameOf } = this.edition;
    return this.edition
      .returnsOf(node)
      .map(({ to, words }) =>
        element(
          'text:a',
          {
            'xlink:type': 'simple',
            'xlink:href': `#${encodeURI(nameOf(to))}`,
            'text:style-name': 'Internet_20_Link',
          },
          textOf(words),
        ),
      )
      .join(textOf(BETWEEN_RETURNS));
  }

  #picture(id: string, alt: string, decorative: boolean, share: number | null): string {
    const file = this.edition.enclosures.get(id);
    const extension = file && PICTURE_EXTENSIONS[file.type];
    if (!file || !extension) return textOf(alt);
    const path = `Pictures/${id}.${extension}`;
    this.media.set(path, file.bytes);
    const { width, height } = shownSize(file, share, LINE);
    const length = (pixels: number) => `${(pixels * PIXEL).toFixed(3)}mm`;
    return element(
      'draw:frame',
      {
        'draw:name': `Picture ${(this.#parts += 1)}`,
        'text:anchor-type': 'as-char',
        'svg:width': length(width),
        'svg:height': length(height),
        'loext:decorative': decorative ? 'true' : null,
      },
      `${element('draw:image', { 'xlink:href': path, 'xlink:type': 'simple', 'xlink:show': 'embed', 'xlink:actuate': 'onLoad' })}${alt && `<svg:desc>${escapeXml(alt)}</svg:desc>`}`,
    );
  }

  #listWithBook(): string {
    const { title, entries } = withBook(this.edition);
    if (entries.length === 0) return '';
    const heading = element(
      'text:h',
      { 'text:style-name': 'Heading_20_1', 'text:outline-level': '1', 'text:is-list-header': 'true' },
      textOf(title),
    );
    const lines = entries.map(
      ({ id, name, about }) =>
        this.#paragraph('Definition Term', held(this.edition.nameOf(id), textOf(name))) +
        this.#paragraph('Definition', textOf(about)),
    );
    return this.#boxed('computed', heading + lines.join(''), false);
  }
}

const STYLES: Record<string, string> = {
  emphasis: 'Emphasis',
  strong: 'Strong Emphasis',
  code: 'Source Text',
  subscript: 'Lowered',
  superscript: 'Raised',
  struck: 'Struck',
  small_capitals: 'Small Capitals',
};

const point = (name: string): string => element('text:bookmark', { 'text:name': name });
const mark = (side: 'start' | 'end', name: string): string =>
  element(`text:bookmark-${side}`, { 'text:name': name });
const held = (name: string, content: string): string =>
  content === '' ? point(name) : mark('start', name) + content + mark('end', name);

/** Files next to a document are seen from within its package (ISO/IEC 26300-2, 3.7). */
const beside = (href: string): string => (/^(?:[a-z][a-z0-9+.-]*:|#|\/)/i.test(href) ? href : `../${href}`);

/** Words with their white space as elements, which would become one space (ISO/IEC 26300, 6.1.2). */
const textOf = (text: string): string =>
  escapeXml(text)
    .replace(/\n/g, '<text:line-break/>')
    .replace(/\t/g, '<text:tab/>')
    .replace(/^ | {2,}| $/g, (spaces) =>
      spaces.length === 1 ? '<text:s/>' : `<text:s text:c="${spaces.length}"/>`,
    );
