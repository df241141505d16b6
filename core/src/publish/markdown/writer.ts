import type { Mark, Node } from 'prosemirror-model';
import { readFormula } from '../../cleaning/index.js';
import { phrases } from '../../language/index.js';
import {
  attrsOf,
  BETWEEN_RETURNS,
  CREDIT,
  figureParts,
  CONTENTS,
  idOf,
  noteMarkOf,
  saidOfPicture,
  TOP,
  type LinkAttrs,
  type ReadChapter,
  roomClass,
  rowsOf,
  SMALL_CAPITALS,
  tableCaption,
} from '../../manuscript/index.js';
import { PICTURE_EXTENSIONS, targetIn, type Edition } from '../edition/edition.js';
import { inlineTree, type InlineTree } from '../edition/inline-tree.js';
import { MarkedPlaces } from '../edition/marked-places.js';
import { isReturnLine } from '../edition/return-lines.js';
import {
  areaWords,
  bookLines,
  contentsLines,
  labelOf,
  listedIn,
  type ContentsLine,
} from '../edition/said.js';
import { withBook } from '../edition/with-book.js';
import { element, escapeXml } from '../markup/xml.js';
import { addressIn, escaped, titleIn } from './escape.js';

/** Writes the text of a book as Markdown (CommonMark 0.31 with tables, footnotes and `{#ids}`); what it has no signs for stands as HTML. */
export class MarkdownWriter {
  readonly media = new Map<string, Uint8Array>();
  readonly #places: MarkedPlaces;
  readonly #remarks: string[] = [];

  constructor(readonly edition: Edition) {
    this.#places = new MarkedPlaces(edition);
  }

  text(): string {
    const chapters = this.edition.book.chapters.map((chapter) => this.#chapter(chapter));
    return `${[this.#front(), ...chapters, this.#listWithBook(), ...this.#remarks].filter((part) => part !== '').join('\n\n')}\n`;
  }

  /** The top of the book and its contents, where anything leads there; programs make neither of their own. */
  #front(): string {
    const { book, nameOf } = this.edition;
    const top = this.#places.isWanted(TOP)
      ? `<p id="${nameOf(TOP)}" data-computed="">${escapeXml(book.title)}</p>`
      : '';
    if (!this.#places.isWanted(CONTENTS)) return top;
    const items = bookLines(this.edition, listedIn(this.edition)).map((line) =>
      this.#contentsItem(line, null),
    );
    const title = element('p', { id: nameOf(CONTENTS) }, escapeXml(phrases(book.language).contents));
    return [top, `<nav data-computed="">\n${title}\n${element('ul', {}, items.join('\n'))}\n</nav>`]
      .filter(Boolean)
      .join('\n\n');
  }

  #contentsItem({ place, words }: ContentsLine, level: string | null): string {
    const link = element('a', { href: `#${this.edition.nameOf(place)}` }, escapeXml(words));
    return element('li', { class: level }, link);
  }

  #chapter({ id, doc }: ReadChapter): string {
    this.#places.wait(id);
    return this.#blocks(doc);
  }

  #blocks(parent: Node): string {
    return parent.children
      .map((node, at) => {
        const written = this.#block(node);
        // Lists and quotations that follow one another would be one.
        const isAgain = parent.maybeChild(at - 1)?.type === node.type && SIMILAR.has(node.type.name);
        return isAgain ? `<!-- -->\n\n${written}` : written;
      })
      .filter((written) => written !== '')
      .join('\n\n');
  }

  #block(node: Node): string {
    switch (node.type.name) {
      case 'paragraph':
        return this.#paragraph(node);
      case 'heading':
        return this.#heading(node);
      case 'quotation':
        this.#places.wait(idOf(node));
        return indented(this.#blocks(node), '> ', '> ');
      case 'bullet_list':
      case 'ordered_list':
        return this.#list(node);
      case 'term_list':
        return this.#html(node, 'dl');
      case 'code_block':
        return this.#code(node);
      case 'rule':
        this.#places.wait(idOf(node));
        return `${this.#waitingSpots()}---`;
      case 'room': {
        const { height, ruled } = attrsOf.room(node);
        this.#places.wait(idOf(node));
        return `${this.#waitingBlock()}<div class="${roomClass(ruled)}" data-room="${height}"></div>`;
      }
      case 'figure':
        return this.#figure(node);
      case 'table':
        return this.#table(node);
      case 'contents':
        return this.#contents(node);
      default:
        throw new RangeError(`no way to write a ${node.type.name}`);
    }
  }

  #paragraph(node: Node): string {
    if (isReturnLine(node)) return `<span data-computed="">${this.#line(node)}</span>`;
    return this.#held(idOf(node), this.#line(node)).trim();
  }

  #heading(node: Node): string {
    const { id, level, uncounted } = attrsOf.heading(node);
    const name = this.#places.take(id);
    const attributes = [name === null ? '' : `#${name}`, uncounted ? 'data-uncounted=1' : ''].filter(Boolean);
    const words =
      this.#numberOf(id) + this.#waitingSpots() + this.#line(node).replace(/\s*(?:\\\n|\n)\s*/g, ' ');
    return `${'#'.repeat(level)} ${words}${attributes.length > 0 ? ` {${attributes.join(' ')}}` : ''}`;
  }

  #list(list: Node): string {
    this.#places.wait(idOf(list));
    const start = list.type.name === 'ordered_list' ? attrsOf.orderedList(list).start : null;
    return list.children
      .map((item, at) => {
        this.#places.wait(idOf(item));
        const sign = start === null ? '- ' : `${start + at}. `;
        return indented(this.#blocks(item) || ' ', sign, ' '.repeat(sign.length));
      })
      .join('\n');
  }

  #code(node: Node): string {
    const isPlain = node.children.every((leaf) => leaf.isText && leaf.marks.length === 0);
    const id = idOf(node);
    if (!isPlain || this.#places.isWanted(id)) return this.#html(node, 'pre');
    const fence = '`'.repeat(
      Math.max(3, ...[...node.textContent.matchAll(/`+/g)].map(([ticks]) => ticks.length + 1)),
    );
    return `${this.#waitingBlock()}${fence}\n${node.textContent}\n${fence}`;
  }

  #figure(node: Node): string {
    const { id, link, areas, enclosure, width } = attrsOf.figure(node);
    const { caption, credit } = figureParts(node);
    const name = this.#places.take(id);
    const share = width === null ? '' : `width="${width}%"`;
    const items = areas
      .map((area) => {
        const said = escaped(areaWords(this.edition, node, area));
        return `- ${this.#linked({ ...area, about: null, look: null }, said)}`;
      })
      .join('\n');
    const list = items === '' ? '' : `\n\n${items}`;
    const shown = this.#picture(enclosure, saidOfPicture(node), share);
    const linked = link ? this.#linked(link, shown) : shown;
    if (!caption && !credit && name === null) return `${this.#waitingSpots()}${linked}${list}`;
    const said = caption ? `${this.#numberOf(id)}${this.#line(caption).trim() || ' '}\n\n` : '';
    const below = credit
      ? `<div class="${CREDIT}">\n\n${this.#line(credit).trim() || ' '}\n\n</div>\n\n`
      : '';
    const words = caption || credit ? `\n\n<figcaption>\n\n${said}${below}</figcaption>` : '';
    const opening = name === null ? '<figure>' : `<figure id="${name}">`;
    return `${this.#waitingBlock()}${opening}\n\n${linked}${words}\n</figure>${list}`;
  }

  /** A table of plain rows in its own signs; any other as HTML. */
  #table(node: Node): string {
    const id = idOf(node);
    const rows = rowsOf(node);
    const cells = rows.map((row) => row.children);
    const [head = []] = cells;
    const isPlain =
      !tableCaption(node) &&
      !this.#places.isWanted(id) &&
      head.length > 0 &&
      head.every(({ type }) => type.name === 'table_header') &&
      cells.every(
        (row, at) =>
          row.length === head.length &&
          row.every(
            (cell) =>
              cell.childCount === 1 &&
              cell.firstChild?.type.name === 'paragraph' &&
              (at === 0) === (cell.type.name === 'table_header') &&
              attrsOf.cell(cell).colspan === 1 &&
              attrsOf.cell(cell).rowspan === 1,
          ),
      );
    if (!isPlain) return this.#html(node, 'table');
    const lines = cells.map(
      (row) =>
        `| ${row
          .map((cell) => {
            this.#places.wait(idOf(cell));
            const [only] = cell.children;
            return only
              ? this.#paragraph(only)
                  .replace(/\s*(?:\\\n|\n)\s*/g, '<br>')
                  .replace(/\|/g, '\\|')
              : '';
          })
          .join(' | ')} |`,
    );
    lines.splice(1, 0, `|${' --- |'.repeat(head.length)}`);
    return `${this.#waitingBlock()}${lines.join('\n')}`;
  }

  #contents(node: Node): string {
    const { id, ...chosen } = attrsOf.contents(node);
    const section = chosen.section === null ? null : this.edition.nameOf(chosen.section);
    const items = contentsLines(this.edition, id).map((line) =>
      this.#contentsItem(line, `level-${line.depth}`),
    );
    const attributes = {
      id: this.#places.take(id),
      'data-contents': JSON.stringify({ ...chosen, section }),
    };
    return (
      this.#waitingBlock() +
      oneBlock(element('div', attributes, items.length > 0 ? element('ul', {}, items.join('')) : ''))
    );
  }

  #waitingSpots(): string {
    return this.#places.waiting().map(spotOf).join('');
  }

  /** Places that wait, on a line of their own before a block that takes none. */
  #waitingBlock(): string {
    const spots = this.#waitingSpots();
    return spots === '' ? '' : `${spots}\n\n`;
  }

  #held(id: string | null, content: string): string {
    return this.#waitingSpots() + this.#spot(id) + content;
  }

  #spot(id: string | null): string {
    const name = this.#places.take(id);
    return name === null ? '' : spotOf(name);
  }

  #line(block: Node): string {
    return inlineTree(block)
      .map((tree) => this.#tree(tree))
      .join('');
  }

  #tree(tree: InlineTree): string {
    if ('leaf' in tree) return this.#leaf(tree.leaf);
    const inner = tree.children.map((child) => this.#tree(child)).join('');
    return this.#marked(tree.mark, inner, tree);
  }

  #marked(mark: Mark, inner: string, tree: InlineTree): string {
    switch (mark.type.name) {
      case 'link':
        return this.#linked(attrsOf.link(mark), inner);
      case 'bookmark': {
        const { id, name } = attrsOf.bookmark(mark);
        const own = this.#places.takeAnyway(id);
        return own === null ? inner : `<span id="${own}" data-bookmark="${escapeXml(name)}">${inner}</span>`;
      }
      case 'language':
        return `<span lang="${attrsOf.language(mark).tag}">${inner}</span>`;
      case 'code':
        return codeOf(tree) ?? `<code>${inner}</code>`;
      case 'emphasis':
        return emphasised(inner, '*', 'em');
      case 'strong':
        return emphasised(inner, '**', 'strong');
      case 'struck':
        return emphasised(inner, '~~', 's');
      case 'small_capitals':
        return `<span class="${SMALL_CAPITALS}">${inner}</span>`;
      case 'subscript':
        return `<sub>${inner}</sub>`;
      case 'superscript':
        return `<sup>${inner}</sup>`;
      default:
        return inner;
    }
  }

  #linked(
    {
      id,
      destination,
      hoverNote,
      look,
    }: Pick<LinkAttrs, 'id' | 'destination' | 'hoverNote'> & Partial<LinkAttrs>,
    inner: string,
    isHtml = false,
  ): string {
    const target = targetIn(this.edition, destination);
    const origin = this.#spot(id);
    if (!target) return origin + inner;
    const href = 'place' in target ? `#${this.edition.nameOf(target.place)}` : target.href;
    // Brackets, pictures and notes within its words, and a look of its own, are more than its signs can hold.
    if (isHtml || look || /[[\]]|<a |\n/.test(inner.replace(/\\[[\]]/g, '')) || inner.trim() === '')
      return (
        origin + element('a', { href, title: hoverNote || null, style: look ? styleOf(look) : null }, inner)
      );
    return `${origin}[${inner}](${addressIn(href)}${hoverNote ? ` ${titleIn(hoverNote)}` : ''})`;
  }

  #leaf(leaf: Node): string {
    switch (leaf.type.name) {
      case 'text':
        return escaped(leaf.text ?? '');
      case 'hard_break':
        return '<br>';
      case 'anchor':
        return this.#spot(idOf(leaf));
      case 'picture': {
        const { enclosure } = attrsOf.picture(leaf);
        return this.#spot(idOf(leaf)) + this.#picture(enclosure, saidOfPicture(leaf), '');
      }
      case 'formula':
        return readFormula(attrsOf.formula(leaf).mathml)?.mathml ?? escaped(attrsOf.formula(leaf).words);
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

  #noteMark(leaf: Node): string {
    const { id, of } = noteMarkOf(leaf);
    const note = this.edition.map.byId.get(of);
    if (!note) return this.#spot(id);
    const name = this.edition.nameOf(of);
    const spot = this.#spot(id);
    if (leaf.type.name === 'note') {
      this.#places.takeAnyway(of);
      const paragraphs = this.#places.apart(() =>
        leaf.children.map((paragraph) => this.#line(paragraph).trim()),
      );
      this.#remarks.push(indented(paragraphs.join('\n\n') || ' ', `[^${name}]: `, '    '));
    }
    return `${spot}[^${name}]`;
  }

  #reference(node: Node): string {
    const { id, place, form, own, hoverNote } = attrsOf.reference(node);
    const origin = this.#spot(id);
    const said = this.edition.say(node);
    if (!this.edition.places.has(place)) return origin + escaped(said);
    const attributes = {
      href: `#${this.edition.nameOf(place)}`,
      title: hoverNote || null,
      'data-reference': form,
      'data-own': own || null,
    };
    return origin + element('a', attributes, escaped(said));
  }

  #returnLinks(node: Node): string {
    const { nameOf } = this.edition;
    const { to: kind, own } = attrsOf.returnLink(node);
    const links = this.edition
      .returnsOf(node)
      .map(({ to, words }) => element('a', { href: `#${nameOf(to)}` }, escaped(words)))
      .join(BETWEEN_RETURNS);
    return links && element('span', { 'data-return': kind, 'data-own': own || null }, links);
  }

  #pathOf(id: string): string | null {
    const file = this.edition.enclosures.get(id);
    const extension = file && PICTURE_EXTENSIONS[file.type];
    if (!file || !extension) return null;
    const path = `pictures/${id}.${extension}`;
    this.media.set(path, file.bytes);
    return path;
  }

  #picture(id: string, alt: string, more: string): string {
    const path = this.#pathOf(id);
    return path === null ? escaped(alt) : `![${escaped(alt)}](${path})${more === '' ? '' : `{${more}}`}`;
  }

  /** A block as HTML, its content as Markdown between empty lines (CommonMark 0.31, 4.6). */
  #html(node: Node, name: string): string {
    const id = idOf(node);
    const place = this.#places.take(id);
    const opening = place === null ? name : `${name} id="${escapeXml(place)}"`;
    if (name === 'pre') {
      const inner = node.children
        .map((leaf) => {
          if (!leaf.isText) return this.#leaf(leaf);
          const link = leaf.marks.find(({ type }) => type.name === 'link');
          const bookmark = leaf.marks.find(({ type }) => type.name === 'bookmark');
          const text = escapeXml(leaf.text ?? '')
            .replace(/\n/g, '&#10;')
            .replace(/[*_`[\]\\~!]/g, (sign) => `&#${sign.charCodeAt(0)};`);
          const held = bookmark ? this.#marked(bookmark, text, { leaf }) : text;
          return link ? this.#linked({ ...attrsOf.link(link), look: null }, held, true) : held;
        })
        .join('');
      return `${this.#waitingBlock()}<${opening}><code>${inner}</code></pre>`;
    }
    const parts = node.children.map((child): string => {
      const spans = child.type.name;
      switch (spans) {
        case 'table_caption':
        case 'term':
          this.#places.wait(idOf(child));
          return `<${spans === 'term' ? 'dt' : 'caption'}>\n\n${this.#numberOf(spans === 'term' ? null : id)}${this.#waitingSpots()}${this.#line(child).trim() || ' '}\n\n</${spans === 'term' ? 'dt' : 'caption'}>`;
        case 'meaning':
          this.#places.wait(idOf(child));
          return `<dd>\n\n${this.#blocks(child)}\n\n</dd>`;
        default:
          return child.children.map((row) => this.#row(row)).join('\n');
      }
    });
    return `${this.#waitingBlock()}<${opening}>\n${parts.join('\n')}\n</${name}>`;
  }

  #numberOf(id: string | null): string {
    const label = labelOf(this.edition, id);
    return label === '' ? '' : `<span data-computed="">${escapeXml(label)} </span>`;
  }

  #row(row: Node): string {
    const cells = row.children.map((cell) => {
      this.#places.wait(idOf(cell));
      const { colspan, rowspan } = attrsOf.cell(cell);
      const tag = cell.type.name === 'table_header' ? 'th' : 'td';
      const spans = `${colspan > 1 ? ` colspan="${colspan}"` : ''}${rowspan > 1 ? ` rowspan="${rowspan}"` : ''}`;
      return `<${tag}${spans}>\n\n${this.#blocks(cell)}\n\n</${tag}>`;
    });
    return `<tr>\n${cells.join('\n')}\n</tr>`;
  }

  #listWithBook(): string {
    const { title, entries } = withBook(this.edition);
    if (entries.length === 0) return '';
    const items = entries.map(
      ({ id, name, about }) =>
        element('dt', { id: this.edition.nameOf(id) }, escapeXml(name)) + element('dd', {}, escapeXml(about)),
    );
    return `<section data-computed="">\n<h1>${escapeXml(title)}</h1>\n${element('dl', {}, items.join('\n'))}\n</section>`;
  }
}

const spotOf = (name: string): string => `<a id="${name}"></a>`;

const SIMILAR = new Set(['bullet_list', 'ordered_list', 'quotation']);

const styleOf = ({ light, underline, weight }: NonNullable<LinkAttrs['look']>): string =>
  `color: ${light}; text-decoration: ${underline === 'none' ? 'none' : `underline ${underline}`}${weight === 'strong' ? '; font-weight: bold' : ''}`;

/** Lines of which the first begins with a sign, and all others stand as deep as its words. */
const indented = (text: string, first: string, rest: string): string =>
  text
    .split('\n')
    .map((line, at) => (at === 0 ? first : line === '' ? rest.trimEnd() : rest) + line)
    .join('\n');

/** HTML without empty lines, which would end it (CommonMark 0.31, 4.6). */
const oneBlock = (html: string): string => html.replace(/\n\s*\n/g, '\n');

/** Signs of emphasis hold only where they stand at letters (CommonMark 0.31, 6.2). */
function emphasised(inner: string, sign: string, tag: string): string {
  return /^[\p{L}\p{N}](?:.*[\p{L}\p{N}])?$/su.test(inner) && !/[*_<\n]/.test(inner)
    ? `${sign}${inner}${sign}`
    : `<${tag}>${inner}</${tag}>`;
}

/** Plain words as code; `null` where there is more in it than words. */
function codeOf(tree: InlineTree): string | null {
  if ('leaf' in tree) return null;
  const leaves = tree.children.flatMap((child) => ('leaf' in child ? [child.leaf] : [null]));
  if (!leaves.every((leaf) => leaf?.isText)) return null;
  const text = leaves.map((leaf) => leaf?.text ?? '').join('');
  return text.includes('`') || /^\s|\s$|\n/.test(text) ? null : `\`${text}\``;
}
