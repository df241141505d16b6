import { isTag, isText, type ChildNode, type Element } from 'domhandler';
import { getElementsByTagName, removeElement, textContent } from 'domutils';
import { primaryOf } from '../../language/index.js';
import type { Tally } from '../book/report.js';
import { nested, roomOf, type Block } from '../page/blocks.js';
import { childNamed, element, inside, put, words } from '../page/elements.js';
import { remarkParagraphs } from '../page/remark.js';
import { composedOf } from '../page/composed.js';
import { Line } from '../page/line.js';
import { dressed, looksLikeLink, styleOfLink, type LinkDress } from '../page/looks.js';
import type { WordLook } from '../page/word-look.js';
import { BOOK_CONTENTS, BOOK_TOP, isHiddenName, type OdtPlace, type Places } from './places.js';
import type { Styles } from './styles.js';

/** What the paragraphs of one document share. */
export interface Written {
  tally: Tally;
  styles: Styles;
  places: Places;
  /** The language of most of its words. */
  language: string;
  /** The width of its lines, in millimetres. */
  lineWidth: number;
  /** The formula that an object of the package is; `null` for any other object. */
  formula(path: string): Element | null;
  /** The width of a picture by itself, in millimetres. */
  widthOf(path: string): number;
  /** How many notes of each kind were met. */
  notes: { footnote: number; endnote: number };
}

const SEPARATE = new Set([
  'text:section',
  'text:index-body',
  'text:index-title',
  'text:list-header',
  'text:numbered-paragraph',
]);
const INDEXES =
  /^text:(?:alphabetical-index|illustration-index|table-index|object-index|user-index|bibliography)$/;
const SHAPES =
  /^(?:draw:(?:custom-shape|rect|ellipse|circle|line|polyline|polygon|path|connector|caption|measure|regular-polygon|g)|dr3d:scene)$/;

/** Reads the paragraphs, lists and tables of a text document into elements as HTML has them. */
export class Body {
  readonly #line = new Line(element('p'));
  #after: Block[] = [];
  #look: WordLook = {};
  #isLinkStyle = false;
  #dresses: LinkDress[] | null = null;
  #likeLink = false;
  readonly #counts = new Map<string, number>();

  constructor(readonly written: Written) {}

  read(parent: Element): Element[] {
    return nested(this.#blocks(parent));
  }

  #blocks(parent: Element): Block[] {
    return inside(parent).flatMap((one): Block[] => {
      const { name, attribs } = one;
      if (name === 'text:p' || name === 'text:h') return this.#paragraph(one);
      if (name === 'text:list') return this.#list(one, 1, '');
      if (name === 'table:table') return [{ element: this.#table(one) }];
      if (name === 'text:table-of-content') return this.#contents(one);
      if (INDEXES.test(name)) return this.#blocks(childNamed(one, 'text:index-body') ?? element('none'));
      if (name === 'text:section' && attribs['text:display'] === 'none') {
        if (textContent(one).trim() !== '')
          this.written.tally.add('leftOut', 'parts of the text', 'they were hidden');
        return [];
      }
      const telling = name === 'text:section' ? this.#telling(attribs['text:name'] ?? '', one) : null;
      if (telling) return telling;
      if (SEPARATE.has(name)) {
        const { id } = this.written.places.idOf(one);
        return [...(id ? [{ element: element('p', {}, [element('a', { id })]) }] : []), ...this.#blocks(one)];
      }
      if (name === 'text:tracked-changes') {
        this.written.tally.add(
          'changed',
          'tracked changes',
          'they were taken as accepted',
          inside(one).length,
        );
        return [];
      }
      if (/^text:(?:bookmark|reference-mark)/.test(name)) this.#inline(one);
      if (name === 'draw:frame' || name === 'draw:a' || SHAPES.test(name)) return this.#alone(one);
      return [];
    });
  }

  /** What a section or a frame holds whose name says what it is, since no style of paragraphs does (`publish/odt`); `null` for any other. */
  #telling(name: string, content: Element): Block[] | null {
    const kind = /^(computed|quotation|meaning|apart) \d+$/.exec(name)?.[1];
    const room = roomOf(name.replace(/ \d+$/, ''), () => new Body(this.written).read(content));
    if (room) return [{ element: room }];
    if (kind === undefined) return null;
    if (kind === 'computed') return [];
    const blocks = new Body(this.written).read(content);
    if (kind === 'quotation') return [{ element: element('blockquote', {}, blocks) }];
    if (kind === 'meaning') return [{ element: element('dd', {}, blocks), within: 'dl' }];
    return blocks.map((one) => ({ element: one }));
  }

  /** Something drawn that stands in no paragraph. */
  #alone(source: Element): Block[] {
    this.#line.at = element('p');
    this.#inline(source);
    return [{ element: this.#line.at }, ...this.#after.splice(0)];
  }

  #paragraph(source: Element): Block[] {
    const style = this.written.styles.paragraph(source.attribs['text:style-name'] ?? '');
    const block = this.#kindOf(source, style);
    if (style.beginsPage) block.element.attribs['data-new-page'] = '';
    this.#line.at = block.element;
    this.#look = { languages: style.look.languages };
    this.#isLinkStyle = false;
    this.#likeLink = false;
    this.#children(source);
    const after = this.#after.splice(0);
    if (style.isRuled && textContent(block.element).trim() === '' && inside(block.element).length === 0)
      return [{ element: element('hr') }, ...after];
    // What held only a frame is gone with it.
    if (block.element.children.length === 0 && after.length > 0) return after;
    return [...(block.isCaption ? withPicture(block) : [block]), ...after];
  }

  #kindOf(source: Element, { use, outline, isOfTable }: ReturnType<Styles['paragraph']>): Block {
    const isHeading = source.name === 'text:h';
    const level = isHeading ? Math.min(6, Number(source.attribs['text:outline-level'] ?? 1)) : outline;
    if (use === 'title') return { element: element('h1', { 'data-title': '' }) };
    if (level !== null && level >= 1 && (isHeading || use !== 'caption')) {
      const isUncounted = !isHeading || source.attribs['text:is-list-header'] === 'true';
      const uncounted: Record<string, string> =
        this.written.styles.isCounted && isUncounted ? { 'data-uncounted': '' } : {};
      return { element: element(`h${level}`, { ...this.written.places.idOf(source), ...uncounted }) };
    }
    const own = this.written.places.idOf(source);
    if (use === 'subtitle' || use === 'author') return { element: element('p', { [`data-${use}`]: '' }) };
    if (use === 'quote') return { element: element('p', own), within: 'blockquote' };
    if (use === 'code') return { element: element('p', own), within: 'pre' };
    if (use === 'term') return { element: element('dt', own), within: 'dl' };
    if (use === 'meaning') return { element: element('dd', own), within: 'dl' };
    if (use === 'credit') return { element: element('p', own), isCredit: true };
    return {
      element: element('p', own),
      ...(use === 'caption' ? { isCaption: true, goesWithNext: isOfTable } : {}),
    };
  }

  #list(source: Element, level: number, outer: string): Block[] {
    const style = source.attribs['text:style-name'] || outer || this.#styleOfItems(source);
    // Numbered headings stand in lists.
    if (!isOwnList(style) && holdsHeadingsOnly(source))
      return inside(source).flatMap((item) =>
        inside(item).flatMap((one) =>
          one.name === 'text:list' ? this.#list(one, level + 1, style) : this.#blocks(wrap(one)),
        ),
      );
    const { ordered, type, start } = this.written.styles.list(style, level);
    const key = `${style} ${level}`;
    const goesOn =
      source.attribs['text:continue-numbering'] === 'true' ||
      source.attribs['text:continue-list'] !== undefined;
    const items = inside(source);
    const said = Number(items[0]?.attribs['text:start-value'] ?? NaN);
    const first = Number.isNaN(said) ? (goesOn ? (this.#counts.get(key) ?? start - 1) + 1 : start) : said;
    const list = element(
      ordered ? 'ol' : 'ul',
      ordered ? { ...(first === 1 ? {} : { start: String(first) }), ...(type ? { type } : {}) } : {},
    );
    let count = first - 1;
    for (const item of items) {
      if (item.name === 'text:list-item') count++;
      const blocks = inside(item).flatMap((one) =>
        one.name === 'text:list' ? this.#list(one, level + 1, style) : this.#blocks(wrap(one)),
      );
      put(list, element('li', {}, nested(blocks)));
    }
    this.#counts.set(key, count);
    return [{ element: list }];
  }

  #styleOfItems(list: Element): string {
    const paragraph = getElementsByTagName('text:p', list.children, true, 1)[0];
    return paragraph ? this.written.styles.listOfParagraph(paragraph.attribs['text:style-name'] ?? '') : '';
  }

  #contents(source: Element): Block[] {
    const title = childNamed(childNamed(source, 'text:index-body'), 'text:index-title');
    const said = childNamed(source, 'text:table-of-content-source')?.attribs ?? {};
    const depth = Math.min(6, Math.max(1, Number(said['text:outline-level'] ?? 6)));
    const chosen = {
      scope: said['text:index-scope'] === 'chapter' ? 'section' : 'book',
      section: null,
      depth,
      back: false,
      backWords: '',
    };
    return [
      ...(title ? this.#blocks(title).map(asText) : []),
      {
        element: element('div', {
          ...this.written.places.idOf(source),
          'data-contents': JSON.stringify(chosen),
        }),
      },
    ];
  }

  #table(source: Element): Element {
    const table = element('table', this.written.places.idOf(source));
    const row = (one: Element, name: string) => {
      const made = element('tr');
      for (const cell of inside(one)) {
        if (cell.name !== 'table:table-cell') continue;
        const span = (side: string) => Number(cell.attribs[`table:number-${side}-spanned`] ?? 1);
        const attribs = {
          ...(span('columns') > 1 ? { colspan: String(span('columns')) } : {}),
          ...(span('rows') > 1 ? { rowspan: String(span('rows')) } : {}),
        };
        const repeated = Math.min(100, Number(cell.attribs['table:number-columns-repeated'] ?? 1));
        for (let count = 0; count < repeated; count++)
          put(made, element(name, attribs, new Body(this.written).read(cell)));
      }
      if (made.children.length > 0) put(table, made);
    };
    const rows = (parent: Element, name: string) => {
      for (const one of inside(parent))
        if (one.name === 'table:table-row') row(one, name);
        else if (/^table:table-(?:rows|row-group)$/.test(one.name)) rows(one, name);
        else if (one.name === 'table:table-header-rows') rows(one, 'th');
    };
    rows(source, 'td');
    return table;
  }

  #children(parent: Element): void {
    for (const child of parent.children) {
      if (isText(child)) this.#text(child.data);
      else if (isTag(child)) this.#inline(child);
    }
  }

  #inline(source: Element): void {
    const { name, attribs } = source;
    switch (name) {
      case 'text:span':
        return this.#span(source);
      case 'text:a':
        return this.#link(source);
      case 'text:s':
        return this.#said(' '.repeat(Math.min(1000, Number(attribs['text:c'] ?? 1))));
      case 'text:tab':
        return this.#said('\t');
      case 'text:meta':
        return this.#meta(source);
      case 'text:line-break':
        return this.#line.put(element('br'));
      case 'text:bookmark':
        return this.#spot(attribs['text:name'] ?? '');
      case 'text:reference-mark':
        return this.#line.spot(`mark.${attribs['text:name'] ?? ''}`);
      case 'text:bookmark-start':
        return this.#open('bookmark', attribs['text:name'] ?? '');
      case 'text:reference-mark-start':
        return this.#open('mark', attribs['text:name'] ?? '');
      case 'text:bookmark-end':
        return this.#line.close(`bookmark ${attribs['text:name'] ?? ''}`);
      case 'text:reference-mark-end':
        return this.#line.close(`mark ${attribs['text:name'] ?? ''}`);
      case 'text:note':
        return this.#note(source);
      case 'text:bookmark-ref':
      case 'text:reference-ref':
      case 'text:note-ref':
      case 'text:sequence-ref':
        return this.#reference(source);
      case 'text:sequence':
        return this.#sequence(source);
      case 'office:annotation':
        return this.#comment(source);
      case 'text:ruby':
        return this.#ruby(source);
      case 'draw:frame':
        return this.#frame(source);
      case 'draw:a': {
        const {
          'xlink:href': href = '',
          'office:target-frame-name': frame,
          'xlink:title': tip,
          'office:title': title,
        } = attribs;
        const link = linkElement(this.written.places.addressOf(href), title ?? tip, frame);
        this.#within(link, () => this.#children(source));
        // What stands beside the line has taken the link along.
        if (link.children.length === 0) removeElement(link);
        return;
      }
      case 'text:hidden-text':
      case 'text:hidden-paragraph':
      case 'text:note-citation':
        return;
      default:
        if (
          /^(?:office:event-listeners|svg:|draw:image-map|draw:glue-point|text:(?:change|toc-mark|alphabetical-index-mark|user-index-mark))/.test(
            name,
          )
        )
          return;
        if (SHAPES.test(name)) return this.#shape(source);
        this.#children(source);
    }
  }

  #spot(name: string): void {
    if (!isBooks(name) && !this.written.places.isOwned(name)) this.#line.spot(name);
  }

  #open(kind: 'bookmark' | 'mark', name: string): void {
    if (kind === 'bookmark' && (isBooks(name) || this.written.places.isOwned(name))) return;
    const place = this.written.places.marked(kind, name);
    if (place) this.#line.open(`${kind} ${name}`, place.id, isHiddenName(name) ? '' : name);
  }

  /** What is composed of several fields: a reference with the author's words, or another mark of a note (`publish/odt`). */
  #meta(source: Element): void {
    const kind = /^(reference|mark)-\d+$/.exec(source.attribs['xml:id'] ?? '')?.[1];
    if (kind === undefined) return this.#children(source);
    const outer = this.#line.at;
    const apart = element('span');
    this.#line.at = apart;
    this.#children(source);
    this.#line.at = outer;
    const [first] = getElementsByTagName('a', apart.children);
    const note = first?.attribs.href?.replace(/^#/, '');
    if (kind === 'mark' && note) return void put(this.#line.at, element('span', { 'data-note-mark': note }));
    const composed = composedOf(apart);
    if (composed) this.#line.put(composed);
    else for (const child of [...apart.children]) this.#line.put(child);
  }

  #span(source: Element): void {
    const style = source.attribs['text:style-name'] ?? '';
    const outer = [this.#look, this.#isLinkStyle] as const;
    this.#look = { ...this.#look, ...this.written.styles.words(style) };
    this.#isLinkStyle ||= this.written.styles.isLink(style);
    this.#children(source);
    [this.#look, this.#isLinkStyle] = outer;
  }

  #within(inner: Element, read: () => void): void {
    this.#line.within(inner, read);
  }

  #link(source: Element): void {
    const {
      'xlink:href': href = '',
      'office:target-frame-name': frame,
      'office:title': title,
    } = source.attribs;
    const link = linkElement(this.written.places.addressOf(href), title, frame);
    const outer = this.#dresses;
    this.#dresses = [];
    this.#within(link, () => this.#children(source));
    const style = styleOfLink(this.#dresses, false);
    this.#dresses = outer;
    if (style === null) return;
    link.attribs.style = style;
    this.written.tally.add('kept', 'styles of links', 'they were given by hand, and are looks of their own');
  }

  /** White space between elements is one space (ISO/IEC 26300, 6.1.2). */
  #text(text: string): void {
    this.#said(text.replace(/[ \t\r\n]+/g, ' '));
  }

  #said(plain: string): void {
    if (plain === '') return;
    const look = this.#look;
    if (look.isHidden) {
      if (plain.trim() !== '') this.written.tally.add('leftOut', 'words', 'they were hidden');
      return;
    }
    const inLink = this.#dresses !== null;
    const likeLink = this.#isLinkStyle || looksLikeLink(look);
    if (plain.trim() !== '') {
      if (!inLink && likeLink && !this.#likeLink)
        this.written.tally.add(
          'changed',
          'words',
          'they were blue and underlined as links are, and led nowhere: now they are plain words',
        );
      this.#likeLink = !inLink && likeLink;
      this.#dresses?.push({ isStyled: true, look: this.#isLinkStyle ? {} : look });
    }
    this.#line.put(this.#inLanguage(dressed(words(plain), look, inLink || likeLink), plain, look));
  }

  #inLanguage(node: ChildNode, text: string, { languages }: WordLook): ChildNode {
    if (!languages || !/\p{L}/u.test(text)) return node;
    const isEastern = /[\p{sc=Han}\p{sc=Hiragana}\p{sc=Katakana}\p{sc=Hangul}]/u.test(text);
    const isComplex = /[\p{sc=Arabic}\p{sc=Hebrew}\p{sc=Thai}\p{sc=Devanagari}]/u.test(text);
    const tag = isEastern ? languages.eastern : isComplex ? languages.bidirectional : languages.plain;
    if (tag === '' || primaryOf(tag) === primaryOf(this.written.language)) return node;
    return element('span', { lang: tag }, [node]);
  }

  #note(source: Element): void {
    const kind = source.attribs['text:note-class'] === 'endnote' ? 'endnote' : 'footnote';
    const body = childNamed(source, 'text:note-body');
    const paragraphs = body ? remarkParagraphs(new Body(this.written).read(body)) : [];
    this.written.notes[kind]++;
    const { id } = this.written.places.marked('note', source.attribs['text:id'] ?? '') ?? { id: '' };
    put(this.#line.at, element('span', { ...(id ? { id } : {}), 'data-note': '' }, paragraphs));
  }

  /** A reference, which reads here what it read there; where it can't, a link with its words. */
  #reference(source: Element): void {
    const { name, attribs } = source;
    const target = attribs['text:ref-name'] ?? '';
    const kind = (
      {
        'text:bookmark-ref': 'bookmark',
        'text:reference-ref': 'mark',
        'text:note-ref': 'note',
        'text:sequence-ref': 'sequence',
      } as const
    )[name];
    const place = kind ? this.written.places.marked(kind, target) : null;
    const form = place && this.#formOf(attribs['text:reference-format'] ?? '', place);
    const href = `#${place?.id ?? target}`;
    if (place && form === null)
      this.written.tally.add(
        'changed',
        'references',
        'they read a number that nothing has here, and are links with the words they had',
      );
    this.#within(element('a', { href, ...(form ? { 'data-reference': form } : {}) }), () =>
      this.#children(source),
    );
  }

  #formOf(format: string, { kind }: OdtPlace): string | null {
    if (format === 'page') return 'page';
    if (format === 'direction') return 'where';
    if (kind === 'note') return 'number';
    const isCounted = this.written.styles.isCounted;
    if (kind === 'label') {
      if (!isCounted) return format === 'text' || format === 'caption' ? 'words' : null;
      return format === 'text' ? 'number-words' : format === 'caption' ? 'words' : 'number';
    }
    if (/^(?:number|chapter)/.test(format)) return isCounted && format !== 'chapter' ? 'number' : null;
    return 'words';
  }

  #sequence(source: Element): void {
    const { 'text:ref-name': ref, 'text:name': name = '' } = source.attribs;
    const id = ref === undefined ? undefined : this.written.places.marked('sequence', ref)?.id;
    const counted = element('span', {
      'data-sequence': name,
      ...(id?.startsWith('sequence.') ? { id, 'data-bookmark': '' } : {}),
    });
    this.#within(counted, () => this.#children(source));
  }

  #comment(source: Element): void {
    const text = inside(source)
      .filter(({ name }) => name === 'text:p' || name === 'text:list')
      .map((one) => textContent(one))
      .join(' ')
      .replace(/\s+/g, ' ')
      .trim();
    const author = textContent(childNamed(source, 'dc:creator') ?? element('none')).trim();
    if (text !== '')
      this.written.tally.add(
        'leftOut',
        'comments',
        `${author === '' ? '' : `${author}: `}“${text.slice(0, 500)}”`,
      );
  }

  #ruby(source: Element): void {
    const side = (name: string, as: string): Element => {
      const made = element(as);
      const outer = this.#line.at;
      this.#line.at = made;
      const part = childNamed(source, name);
      if (part) this.#children(part);
      this.#line.at = outer;
      return made;
    };
    this.#line.put(
      element('ruby', {}, [...side('text:ruby-base', 'span').children, side('text:ruby-text', 'rt')]),
    );
  }

  #frame(source: Element): void {
    const box = childNamed(source, 'draw:text-box');
    if (box) return this.#textBox(source, box);
    const object = childNamed(source, 'draw:object')?.attribs['xlink:href'] ?? '';
    const formula = object === '' ? null : this.written.formula(object.replace(/^\.\//, ''));
    if (formula) {
      this.written.tally.add('kept', 'formulas');
      return this.#line.put(formula);
    }
    if (childNamed(source, 'draw:object') ?? childNamed(source, 'draw:object-ole'))
      this.written.tally.add(
        'leftOut',
        'embedded objects',
        'a book can’t carry them; what they showed stays as a picture',
      );
    const image = inside(source).find(
      ({ name, attribs }) => name === 'draw:image' && attribs['xlink:href'] !== undefined,
    );
    if (!image) return;
    const { id } = this.written.places.idOf(source);
    if (id) this.#line.spot(id);
    const picture = this.#picture(source, (image.attribs['xlink:href'] ?? '').replace(/^\.\//, ''));
    const areas = inside(childNamed(source, 'draw:image-map') ?? element('none')).flatMap((area) =>
      this.#area(area, source),
    );
    const isInLine = source.attribs['text:anchor-type'] === 'as-char';
    if (isInLine && areas.length === 0) return this.#line.put(picture);
    this.#after.push({ element: element('p', {}, [this.#inOpenLink(picture), ...areas]) });
  }

  #inOpenLink(picture: Element): Element {
    let at: Element | null = this.#line.at;
    while (at && at.name !== 'a') at = at.parent && isTag(at.parent) ? at.parent : null;
    return at ? element('a', at.attribs, [picture]) : picture;
  }

  #picture(frame: Element, src: string): Element {
    const said = ['svg:desc', 'svg:title'].map((name) =>
      textContent(childNamed(frame, name) ?? element('none')).trim(),
    );
    const alt = said.find((text) => text !== '');
    const isDecorative =
      frame.attribs['loext:decorative'] === 'true' || frame.attribs['draw:decorative'] === 'true';
    const width = lengthOf(frame.attribs['svg:width']);
    const { lineWidth, widthOf } = this.written;
    const isNatural = width <= 0 || Math.abs(width - Math.min(widthOf(src), lineWidth)) < 0.02 * width;
    return element('img', {
      src,
      ...(isDecorative ? { alt: '' } : alt === undefined ? {} : { alt }),
      ...(isNatural
        ? {}
        : { style: `width: ${Math.min(100, Math.max(5, Number(((width / lineWidth) * 100).toFixed(1))))}%` }),
    });
  }

  #area(area: Element, frame: Element): Element[] {
    const { attribs } = area;
    const [wide, high] = [lengthOf(frame.attribs['svg:width']), lengthOf(frame.attribs['svg:height'])];
    const href = attribs['xlink:href'];
    if (href === undefined || wide <= 0 || high <= 0) return [];
    const radius = lengthOf(attribs['svg:r']);
    const [x, y, width, height] =
      area.name === 'draw:area-circle'
        ? [lengthOf(attribs['svg:cx']) - radius, lengthOf(attribs['svg:cy']) - radius, 2 * radius, 2 * radius]
        : [
            lengthOf(attribs['svg:x']),
            lengthOf(attribs['svg:y']),
            lengthOf(attribs['svg:width']),
            lengthOf(attribs['svg:height']),
          ];
    const percent = (part: number, whole: number) =>
      `${Math.min(100, Math.max(0, (part / whole) * 100)).toFixed(2)}%`;
    const name = [
      attribs['office:name'],
      ...['svg:title', 'svg:desc'].map((one) => textContent(childNamed(area, one) ?? element('none'))),
    ].find((one) => one?.trim());
    const style = `left: ${percent(x, wide)}; top: ${percent(y, high)}; width: ${percent(width, wide)}; height: ${percent(height, high)}`;
    return [element('a', { href: this.written.places.addressOf(href), style }, name ? [words(name)] : [])];
  }

  #textBox(frame: Element, box: Element): void {
    const telling = this.#telling(frame.attribs['draw:name'] ?? '', box);
    if (telling) return void this.#after.push(...telling);
    const blocks = new Body(this.written).read(box);
    const { id } = this.written.places.idOf(frame);
    if (id) this.#line.spot(id);
    const link = this.#inOpenLink(element('div', {}, blocks));
    this.#after.push({ element: link });
    if (!blocks.some(({ name }) => name === 'figure') && textContent(link).trim() !== '')
      this.written.tally.add(
        'changed',
        'text boxes',
        'their words stand after the paragraph that they were anchored to',
      );
  }

  #shape(source: Element): void {
    if (source.name === 'draw:g') return inside(source).forEach((one) => this.#inline(one));
    if (textContent(source).trim() === '') return;
    this.#after.push({ element: this.#inOpenLink(element('div', {}, new Body(this.written).read(source))) });
    this.written.tally.add(
      'changed',
      'text boxes',
      'their words stand after the paragraph that they were anchored to',
    );
  }
}

const isBooks = (name: string): boolean => name === BOOK_TOP || name === BOOK_CONTENTS;

/** The styles of lists that a book has which was published from here. */
const isOwnList = (style: string): boolean => style === 'Bullets' || style === 'Numbers';

const holdsHeadingsOnly = (list: Element): boolean =>
  getElementsByTagName('text:h', list.children).length > 0 &&
  getElementsByTagName('text:p', list.children).every((one) => textContent(one).trim() === '');

const linkElement = (href: string, title?: string, frame?: string): Element =>
  element('a', { href, ...(title ? { title } : {}), ...(frame ? { target: frame } : {}) });

/** A block of its own, to be read as the only one; it stays where it stands. */
function wrap(one: Element): Element {
  const around = element('none');
  around.children = [one];
  return around;
}

/** The title of a list of contents is no section of the text. */
const asText = (block: Block): Block =>
  /^h[1-6]$/.test(block.element.name) ? { element: element('p', {}, block.element.children) } : block;

/** A caption that stands in one paragraph with its picture. */
function withPicture(block: Block): Block[] {
  const pictures = inside(block.element).filter(
    (one) => one.name === 'img' || (one.name === 'a' && inside(one)[0]?.name === 'img'),
  );
  const [picture] = pictures;
  if (!picture || pictures.length > 1) return [block];
  const rest = block.element.children.filter(
    (child) => child !== picture && !(isTag(child) && child.name === 'br'),
  );
  return [
    { element: element('p', {}, [picture]) },
    { element: element('p', block.element.attribs, rest), isCaption: true },
  ];
}

/** A length in millimetres (XSL, 5.9.13); 0 for none. */
export function lengthOf(said: string | undefined): number {
  const [, number, unit = 'cm'] = /^(-?[\d.]+)(cm|mm|in|pt|pc|px)$/.exec(said ?? '') ?? [];
  const units: Record<string, number> = {
    cm: 10,
    mm: 1,
    in: 25.4,
    pt: 25.4 / 72,
    pc: 25.4 / 6,
    px: 25.4 / 96,
  };
  return Number(number ?? 0) * (units[unit] ?? 0);
}
