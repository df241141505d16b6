import { isTag, type ChildNode, type Element } from 'domhandler';
import { textContent } from 'domutils';
import { primaryOf } from '../../language/index.js';
import type { Block } from '../page/blocks.js';
import { nested, roomOf } from '../page/blocks.js';
import { below, childNamed, element, inside, put, words } from '../page/elements.js';
import { composedOf } from '../page/composed.js';
import { Line } from '../page/line.js';
import type { Bookmarks } from './bookmarks.js';
import { readField, type Field } from './field.js';
import { formulaFrom } from './formula.js';
import { dressed, looksLikeLink, styleOfLink, type LinkDress } from '../page/looks.js';
import { typeOfNumbers, type Numbering } from './numbering.js';
import type { Relation } from './package.js';
import { floatsIn, placeUnseen, type DrawnAmong, type Float } from './shapes.js';
import { isOn, lookOf, numberSaid, outlineOf, valueOf, type ParagraphStyle, type Styles } from './styles.js';
import type { WordLook } from '../page/word-look.js';

/** What the paragraphs of one document share. */
export interface Written extends DrawnAmong {
  styles: Styles;
  numbering: Numbering;
  bookmarks: Bookmarks;
  /** The language of most of its words. */
  language: string;
  /** Headings have numbers that are counted here as well. */
  isCounted: boolean;
  /** Links of the document have the style of links. */
  hasLinkStyle: boolean;
  /** The paragraphs of a remark, each the content of a line. */
  remark(kind: 'footnote' | 'endnote', id: string): Element[];
}

/** A field that is open, and may go on in other paragraphs. */
interface OpenField {
  code: string;
  field: Field | null;
  /** What it stands in, and the element that takes its result. */
  outer: Element;
  box: Element | null;
  /** Its result is computed anew, and is not read. */
  isDropped: boolean;
}

const CONTAINERS = new Set(['w:ins', 'w:moveTo', 'w:smartTag', 'w:customXml', 'w:dir', 'w:bdo']);
const DELETED = new Set(['w:del', 'w:moveFrom']);

/** Reads the paragraphs and tables of a part of a document into elements as HTML has them. */
export class Body {
  readonly #line = new Line(element('p'));
  #fields: OpenField[] = [];
  /** Blocks that come after the paragraph in which they are anchored. */
  #after: Block[] = [];
  #floats: Float[] = [];
  #dresses: LinkDress[] | null = null;
  #likeLink = false;
  /** The line of a paragraph whose end was deleted: the next one goes on with it. */
  #unended: Element | null = null;

  constructor(
    readonly written: Written,
    readonly relations: ReadonlyMap<string, Relation>,
  ) {}

  /** The blocks of a body, of a cell or of a text box, in each other as HTML has them. */
  read(parent: Element): Element[] {
    return nested(placeUnseen(this.#blocks(parent), this.written.tally));
  }

  #blocks(parent: Element): Block[] {
    return inside(parent).flatMap((one): Block[] => {
      switch (one.name) {
        case 'w:p':
          return this.#paragraph(one);
        case 'w:tbl':
          return [this.#table(one)];
        case 'w:sdt':
          return this.#tagged(one);
        case 'mc:AlternateContent':
          return this.#blocks(chosen(one));
        case 'w:bookmarkStart':
        case 'w:bookmarkEnd':
          this.#bookmark(one);
          return [];
        case 'w:altChunk':
          this.written.tally.add(
            'leftOut',
            'parts of the text',
            'they are files of their own within this one',
          );
          return [];
        case 'm:oMathPara':
          return [{ element: element('p', {}, [formulaFrom(one)]) }];
        default:
          if (DELETED.has(one.name)) this.#tracked();
          return CONTAINERS.has(one.name) ? this.#blocks(one) : [];
      }
    });
  }

  /** What stands in a content control; tags say what it is where no style of paragraphs can (`publish/docx`). */
  #tagged(control: Element): Block[] {
    const tag = ownTag(control);
    const content = childNamed(control, 'w:sdtContent') ?? element('none');
    const apart = () => this.#apart((body) => body.read(content));
    if (tag === 'computed') return [];
    if (tag === 'quotation') return [{ element: element('blockquote', {}, apart()) }];
    if (tag === 'meaning') return [{ element: element('dd', {}, apart()), within: 'dl' }];
    const room = roomOf(tag, apart);
    if (room) return [{ element: room }];
    if (tag === 'apart') return apart().map((one) => ({ element: one }));
    const level = /^item (\d+)$/.exec(tag)?.[1];
    if (level !== undefined) return apart().map((one) => ({ element: one, continues: Number(level) }));
    return this.#blocks(content);
  }

  #tracked(): void {
    this.written.tally.add('changed', 'tracked changes', 'they were taken as accepted');
  }

  /** Reads something apart from the line that is open: what stands in a cell, a text box, a remark. */
  #apart<Read>(read: (body: Body) => Read): Read {
    return read(new Body(this.written, this.relations));
  }

  #paragraph(source: Element): Block[] {
    const properties = childNamed(source, 'w:pPr');
    const style = this.written.styles.paragraph(valueOf(properties, 'w:pStyle'));
    const block = this.#kindOf(properties, style, source);
    if (isOn(properties, 'w:pageBreakBefore') === true || this.#pageBreaks)
      block.element.attribs['data-new-page'] = '';
    this.#pageBreaks = false;
    if (this.#unended) block.element.children = this.#unended.children;
    for (const child of block.element.children) child.parent = block.element;
    this.#unended = null;
    this.#begin(block.element);
    this.#languages = lookOf(childNamed(properties, 'w:rPr')).languages ?? style.languages;
    this.#likeLink = false;
    this.#children(source);
    const mark = childNamed(properties, 'w:rPr');
    if (childNamed(mark, 'w:del')) {
      this.#tracked();
      this.#unended = block.element;
      return this.#after.splice(0);
    }
    if (isRuled(properties) && textContent(block.element).trim() === '' && inside(block.element).length === 0)
      return [{ element: element('hr') }, ...this.#after.splice(0)];
    const floats = this.#floats.splice(0);
    return [Object.assign(block, { floats }), ...this.#after.splice(0)];
  }

  #languages: WordLook['languages'];

  /** The next paragraph begins a page. */
  #pageBreaks = false;

  /** A break before the words of a paragraph is one before it; any other is one before the next. */
  #breakPage(): void {
    const { at } = this.#line;
    if (/^(?:p|h\d)$/.test(at.name) && textContent(at).trim() === '' && inside(at).length === 0)
      at.attribs['data-new-page'] = '';
    else this.#pageBreaks = true;
  }

  /** The line of a new paragraph, with the fields in it that are still open. */
  #begin(line: Element): void {
    this.#line.at = line;
    for (const open of this.#fields) {
      open.outer = this.#line.at;
      if (!open.box) continue;
      if (!open.isDropped) {
        open.box = element(open.box.name, open.box.attribs);
        put(this.#line.at, open.box);
      }
      this.#line.at = open.box;
    }
  }

  #kindOf(properties: Element | null, style: ParagraphStyle, source: Element): Block {
    const outline = outlineOf(properties) ?? style.outline;
    const { use } = style;
    const level = use !== null && typeof use === 'object' ? use.heading : outline;
    const number = { ...style.number, ...numberSaid(properties) };
    const said = number.list === undefined ? null : { list: number.list, level: number.level ?? 0 };
    const counts = said && this.written.numbering.levelOf(said);
    const id = this.written.bookmarks.ofParagraph(source);
    const own: Record<string, string> = id ? { id } : {};
    if (level !== null && use !== 'title' && use !== 'caption') {
      if (this.written.isCounted && !counts) own['data-uncounted'] = '';
      const heading = element(`h${level}`, own);
      if (said && counts) {
        this.written.numbering.next(said);
        const label = this.written.isCounted ? '' : this.written.numbering.written(said).trim();
        if (label !== '' && counts.format !== 'bullet' && counts.format !== 'none')
          put(heading, words(`${label} `));
      }
      return { element: heading };
    }
    if (use === 'title') return { element: element('h1', { 'data-title': '' }) };
    if (use === 'subtitle' || use === 'author') return { element: element('p', { [`data-${use}`]: '' }) };
    if (said && counts && counts.format !== 'none')
      return {
        element: element('p', own),
        item: {
          key: said.list,
          level: said.level,
          ordered: counts.format !== 'bullet',
          number: this.written.numbering.next(said),
          type: typeOfNumbers(counts.format),
        },
      };
    if (use === 'quote') return { element: element('p', own), within: 'blockquote' };
    if (use === 'code') return { element: element('p', own), within: 'pre' };
    if (use === 'term') return { element: element('dt', own), within: 'dl' };
    if (use === 'meaning') return { element: element('dd', own), within: 'dl' };
    if (use === 'credit') return { element: element('p', own), isCredit: true };
    if (use === 'caption')
      return {
        element: element('p', own),
        isCaption: true,
        goesWithNext: isOn(properties, 'w:keepNext') === true,
      };
    return {
      element: element('p', own),
      ...(style.continues === null ? {} : { continues: style.continues }),
    };
  }

  #children(parent: Element): void {
    for (const one of inside(parent)) this.#inline(one);
  }

  #inline(one: Element): void {
    const { tally } = this.written;
    switch (one.name) {
      case 'w:r':
        return this.#run(one);
      case 'w:hyperlink':
        return this.#hyperlink(one);
      case 'w:fldSimple':
        this.#fieldBegins();
        this.#code(one.attribs['w:instr'] ?? '');
        this.#fieldSeparates();
        this.#children(one);
        return this.#fieldEnds();
      case 'w:bookmarkStart':
      case 'w:bookmarkEnd':
        return this.#bookmark(one);
      case 'w:sdt': {
        const content = childNamed(one, 'w:sdtContent') ?? element('none');
        const isReference = ownTag(one) === 'reference';
        return isReference ? this.#composed(content) : this.#children(content);
      }
      case 'mc:AlternateContent':
        return this.#children(chosen(one));
      case 'm:oMath':
      case 'm:oMathPara':
        tally.add('kept', 'formulas');
        return this.#leaf(formulaFrom(one));
      default:
        if (DELETED.has(one.name) || one.name === 'w:ins' || one.name === 'w:moveTo') this.#tracked();
        if (CONTAINERS.has(one.name)) this.#children(one);
    }
  }

  /** A reference that is composed of several fields, with the author's words between them (`publish/docx`). */
  #composed(content: Element): void {
    const outer = this.#line.at;
    const apart = element('span');
    this.#line.at = apart;
    this.#children(content);
    this.#line.at = outer;
    const composed = composedOf(apart);
    if (composed) this.#leaf(composed);
    else for (const child of apart.children) this.#leaf(child);
  }

  #hyperlink(source: Element): void {
    const { 'r:id': id, 'w:anchor': anchor, 'w:tooltip': title, 'w:tgtFrame': frame } = source.attribs;
    const relation = id === undefined ? undefined : this.relations.get(id);
    const address = relation ? (relation.isOutside ? relation.target : `/${relation.target}`) : '';
    this.#linkTo(
      addressWith(address, anchor ?? source.attribs['w:docLocation'], this.written.bookmarks),
      title,
      frame,
      () => this.#children(source),
    );
  }

  #linkTo(href: string, title: string | undefined, frame: string | undefined, read: () => void): void {
    const link = linkElement(href, title, frame);
    const outer = this.#dresses;
    this.#dresses = [];
    this.#line.within(link, read);
    this.#dress(link, this.#dresses);
    this.#dresses = outer;
  }

  /** A look that was given to a link by hand. */
  #dress(link: Element, dresses: readonly LinkDress[]): void {
    const style = styleOfLink(dresses, this.written.hasLinkStyle);
    if (style === null) return;
    link.attribs.style = style;
    this.written.tally.add('kept', 'styles of links', 'they were given by hand, and are looks of their own');
  }

  #bookmark({ name, attribs }: Element): void {
    const key = attribs['w:id'] ?? '';
    if (name === 'w:bookmarkEnd') return this.#line.close(key);
    const bookmark = this.written.bookmarks.named(attribs['w:name'] ?? '');
    if (bookmark) this.#line.open(key, bookmark.id, bookmark.name);
  }

  #run(run: Element): void {
    const properties = childNamed(run, 'w:rPr');
    const style = valueOf(properties, 'w:rStyle');
    const direct = lookOf(properties);
    const isStyled = this.written.styles.isLink(style);
    // How links look is that of the book.
    const look = { ...(style === '' || isStyled ? {} : this.written.styles.words(style)), ...direct };
    if (look.isHidden) {
      if (textContent(run).trim() !== '') this.written.tally.add('leftOut', 'words', 'they were hidden');
      return this.#marksOfRun(run);
    }
    for (const one of inside(run))
      this.#part(one, { look, direct, isStyled, isRtl: isOn(properties, 'w:rtl') === true });
  }

  /** Of a run that is not read, what opens and closes fields. */
  #marksOfRun(run: Element): void {
    for (const one of inside(run))
      if (one.name === 'w:fldChar' || one.name === 'w:instrText')
        this.#part(one, { look: {}, direct: {}, isStyled: false, isRtl: false });
  }

  #part(one: Element, run: RunLook): void {
    switch (one.name) {
      case 'w:t':
        return this.#text(textContent(one), run);
      case 'w:tab':
      case 'w:ptab':
        return this.#text('\t', run);
      case 'w:noBreakHyphen':
        return this.#text('\u2011', run);
      case 'w:softHyphen':
        return this.#text('\u00ad', run);
      case 'w:sym':
        return this.#text(symbol(one.attribs), run);
      case 'w:br':
      case 'w:cr':
        if ((one.attribs['w:type'] ?? 'textWrapping') === 'textWrapping') this.#leaf(element('br'));
        else if (one.attribs['w:type'] === 'page') this.#breakPage();
        return;
      case 'w:instrText':
        return this.#code(textContent(one));
      case 'w:fldChar':
        if (one.attribs['w:fldCharType'] === 'begin') this.#fieldBegins();
        else if (one.attribs['w:fldCharType'] === 'separate') this.#fieldSeparates();
        else this.#fieldEnds();
        return;
      case 'w:footnoteReference':
      case 'w:endnoteReference':
        return this.#note(one);
      case 'w:drawing':
      case 'w:pict':
      case 'w:object':
        return this.#drawing(one);
      case 'mc:AlternateContent':
        return inside(chosen(one)).forEach((inner) => this.#part(inner, run));
      case 'w:ruby':
        return this.#ruby(one);
      default:
    }
  }

  #text(text: string, { look, direct, isStyled, isRtl }: RunLook): void {
    const open = this.#fields.findLast(({ field }) => field === null);
    if (open) {
      open.code += text;
      return;
    }
    if (this.#fields.some(({ isDropped }) => isDropped)) return;
    const inLink = this.#dresses !== null || this.#fields.some(({ box }) => box?.name === 'a');
    if (!inLink && (isStyled || looksLikeLink(look))) {
      if (!this.#likeLink && text.trim() !== '')
        this.written.tally.add(
          'changed',
          'words',
          'they were blue and underlined as links are, and led nowhere: now they are plain words',
        );
      this.#likeLink = true;
    } else if (text.trim() !== '') this.#likeLink = false;
    if (text.trim() !== '') this.#dresses?.push({ isStyled, look: direct });
    const likeLink = isStyled || looksLikeLink(look);
    this.#leaf(this.#inLanguage(dressed(words(text), look, inLink || likeLink), text, look, isRtl));
  }

  #inLanguage(node: ChildNode, text: string, look: WordLook, isRtl: boolean): ChildNode {
    const languages = look.languages ?? this.#languages ?? this.written.styles.languages;
    const tag = languages && languageOf(text, languages, isRtl);
    if (!tag || !/\p{L}/u.test(text) || primaryOf(tag) === primaryOf(this.written.language)) return node;
    return element('span', { lang: tag }, [node]);
  }

  #leaf(node: ChildNode): void {
    if (!this.#fields.some(({ field }) => field === null)) this.#line.put(node);
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
    const base = side('w:rubyBase', 'span');
    this.#leaf(element('ruby', {}, [...base.children, side('w:rt', 'rt')]));
  }

  #note(source: Element): void {
    const kind = source.name === 'w:footnoteReference' ? 'footnote' : 'endnote';
    const paragraphs = this.written.remark(kind, source.attribs['w:id'] ?? '');
    const id = this.written.bookmarks.noteId(kind, source.attribs['w:id'] ?? '');
    this.#leaf(element('span', { id, 'data-note': '' }, paragraphs));
  }

  #drawing(source: Element): void {
    for (const float of floatsIn(source, this.relations, this.written)) {
      this.#floats.push(float);
      if (float.kind === 'picture' && float.isInLine) this.#leaf(float.element);
      else if (float.kind === 'picture')
        this.#after.push({ element: element('p', {}, [this.#inOpenLink(float.element)]) });
      else if (float.content) {
        const blocks = this.#apart((body) => body.read(float.content ?? element('none')));
        const box = element('div', {}, float.href ? [linkAround(float.href, blocks)] : blocks);
        float.element = box;
        this.#after.push({ element: box });
      } else if (float.href) this.#after.push({ element: float.element });
    }
  }

  /** A picture that stands beside the line, within the link that is open there. */
  #inOpenLink(picture: Element): Element {
    let at: Element | null = this.#line.at;
    while (at && at.name !== 'a') at = at.parent && isTag(at.parent) ? at.parent : null;
    return at && picture.name !== 'a' ? element('a', at.attribs, [picture]) : picture;
  }

  #fieldBegins(): void {
    this.#fields.push({ code: '', field: null, outer: this.#line.at, box: null, isDropped: false });
  }

  #code(text: string): void {
    const open = this.#fields.findLast(({ field }) => field === null);
    if (open) open.code += text;
  }

  #fieldSeparates(): void {
    const open = this.#fields.findLast(({ field }) => field === null);
    if (!open) return;
    open.field = readField(open.code);
    const made = this.#boxFor(open.field);
    if (!made) return;
    open.box = made.box;
    open.isDropped = made.isDropped;
    if (this.#fields.some(({ field }) => field === null)) return;
    if (!made.isDropped) put(this.#line.at, open.box);
    this.#line.at = open.box;
  }

  #fieldEnds(): void {
    if (this.#fields.at(-1)?.field === null) this.#fieldSeparates();
    const open = this.#fields.pop();
    if (!open) return;
    this.#line.at = open.outer;
    const { field, box, isDropped } = open;
    if (field?.name === 'HYPERLINK' && box && !isDropped && box.children.length === 0) {
      const { parent } = box;
      if (parent) parent.children = parent.children.filter((child) => child !== box);
    }
  }

  /** The element that takes the result of a field; `null` where its result is words like others. */
  #boxFor(field: Field): { box: Element; isDropped: boolean } | null {
    const { tally, bookmarks } = this.written;
    const [first = ''] = field.arguments;
    switch (field.name) {
      case 'HYPERLINK': {
        const href = addressWith(first, field.switches.get('l'), bookmarks);
        const frame = field.switches.has('n') ? '_blank' : field.switches.get('t');
        return { box: linkElement(href, field.switches.get('o'), frame), isDropped: false };
      }
      case 'REF':
      case 'PAGEREF':
      case 'NOTEREF':
        return { box: this.#reference(field, first), isDropped: false };
      case 'TOC': {
        const chosenOf = contentsOf(field, bookmarks);
        if (!chosenOf) return null;
        this.#after.push({ element: element('div', { 'data-contents': JSON.stringify(chosenOf) }) });
        return { box: element('none'), isDropped: true };
      }
      case 'SEQ':
        return { box: element('span', { 'data-sequence': first }), isDropped: false };
      default:
        // `REF` may be left out (ECMA-376-1, 17.16.5.52).
        if (field.arguments.length === 0 && bookmarks.has(readName(field)))
          return { box: this.#reference({ ...field, name: 'REF' }, readName(field)), isDropped: false };
        if (/^(?:PAGE|NUMPAGES|DATE|TIME|FILENAME|SECTIONPAGES)$/.test(field.name))
          tally.add(
            'changed',
            'words',
            'they were computed by the word processor, and stay as they were last',
          );
        return null;
    }
  }

  /** A reference, which reads here what it read there; where it can't, a link with its words. */
  #reference(field: Field, name: string): Element {
    const { bookmarks, isCounted, tally } = this.written;
    const target = bookmarks.target(name);
    const href = `#${target.id}`;
    const has = (key: string) => field.switches.has(key);
    const asksNumber = has('n') || has('r') || has('w');
    if (target.kind === 'gone') return element('a', { href });
    if (field.name === 'NOTEREF') {
      if (has('f') && target.kind === 'note')
        return element('span', { 'data-note-mark': target.id, 'data-dropped': '' });
      return element('a', { href, 'data-reference': target.kind === 'note' ? 'number' : 'words' });
    }
    if (field.name === 'PAGEREF')
      return element('a', { href, 'data-reference': has('p') ? 'where' : 'page' });
    if (target.kind === 'note')
      return element('a', { href, 'data-reference': has('p') ? 'where' : 'number' });
    if (!asksNumber) {
      const label =
        target.kind === 'label' ? 'number' : target.kind === 'labelled' ? 'number-words' : 'words';
      return element('a', { href, 'data-reference': has('p') ? 'where' : label });
    }
    if (isCounted && target.kind === 'counted') return element('a', { href, 'data-reference': 'number' });
    tally.add(
      'changed',
      'references',
      'they read a number that nothing has here, and are links with the words they had',
    );
    return element('a', { href });
  }

  #table(source: Element): Block {
    const table = element('table');
    const caption = valueOf(childNamed(source, 'w:tblPr'), 'w:tblCaption');
    const open = new Map<number, Element>();
    for (const row of rowsIn(source)) {
      const properties = childNamed(row, 'w:trPr');
      if (childNamed(properties, 'w:del')) {
        this.#tracked();
        continue;
      }
      const made = element('tr');
      put(table, made);
      const name = isOn(properties, 'w:tblHeader') ? 'th' : 'td';
      let column = Number(valueOf(properties, 'w:gridBefore') || 0);
      for (const cell of cellsIn(row)) {
        const own = childNamed(cell, 'w:tcPr');
        const span = Math.max(1, Number(valueOf(own, 'w:gridSpan') || 1));
        const merge = childNamed(own, 'w:vMerge');
        const above =
          merge && (merge.attribs['w:val'] ?? 'continue') !== 'restart' ? open.get(column) : undefined;
        if (above) {
          above.attribs.rowspan = String(Number(above.attribs.rowspan ?? 1) + 1);
          put(above, ...this.#apart((body) => body.read(cell)));
        } else {
          const at = element(
            name,
            span > 1 ? { colspan: String(span) } : {},
            this.#apart((body) => body.read(cell)),
          );
          put(made, at);
          if (merge) open.set(column, at);
          else open.delete(column);
        }
        column += span;
      }
    }
    if (caption !== '')
      this.written.tally.add('changed', 'tables', 'what they say to those who can’t see them is not kept');
    return { element: table };
  }
}

interface RunLook {
  look: WordLook;
  direct: WordLook;
  isStyled: boolean;
  isRtl: boolean;
}

/** The tag of a content control that was put into a document here; empty for any other. */
const ownTag = (control: Element): string =>
  /^vennet:(.*)$/.exec(valueOf(childNamed(control, 'w:sdtPr'), 'w:tag'))?.[1] ?? '';

const linkElement = (href: string, title?: string, frame?: string): Element =>
  element('a', { href, ...(title ? { title } : {}), ...(frame ? { target: frame } : {}) });

const linkAround = (href: string, blocks: Element[]): Element => element('a', { href }, blocks);

/** An address and the place in it; the place of a document itself is that of its bookmark. */
function addressWith(address: string, anchor: string | undefined, bookmarks: Bookmarks): string {
  if (!anchor) return address;
  if (address !== '') return address.includes('#') ? address : `${address}#${anchor}`;
  return `#${bookmarks.target(anchor).id}`;
}

/** The name of a field as it was written, where it may be that of a bookmark. */
const readName = ({ name }: Field): string => name;

/** Of several renderings the one that says most: shapes before their stand-ins. */
function chosen(source: Element): Element {
  const choice = inside(source).find(
    ({ name, attribs }) =>
      name === 'mc:Choice' && /^(?:wps|wpg|wp14|w14|w15|w16se|cx|aink|am3d)/.test(attribs.Requires ?? ''),
  );
  return choice ?? childNamed(source, 'mc:Fallback') ?? childNamed(source, 'mc:Choice') ?? element('none');
}

/** A paragraph of its own line, as rules are made. */
const isRuled = (properties: Element | null): boolean => {
  const line = below(properties, 'w:pBdr', 'w:bottom') ?? below(properties, 'w:pBdr', 'w:top');
  return line !== null && !/^(?:none|nil)$/.test(line.attribs['w:val'] ?? 'single');
};

/** Rows, also those within content controls. */
const rowsIn = (parent: Element): Element[] => deepNamed(parent, 'w:tr');
const cellsIn = (parent: Element): Element[] => deepNamed(parent, 'w:tc');

function deepNamed(parent: Element, name: string): Element[] {
  return parent.children.filter(isTag).flatMap((one): Element[] => {
    if (one.name === name) return [one];
    if (/^w:(?:sdt|sdtContent|ins|customXml)$/.test(one.name)) return deepNamed(one, name);
    return [];
  });
}

function languageOf(
  text: string,
  { plain, eastern, bidirectional }: NonNullable<WordLook['languages']>,
  isRtl: boolean,
): string {
  if (isRtl) return bidirectional || plain;
  return /[\p{sc=Han}\p{sc=Hiragana}\p{sc=Katakana}\p{sc=Hangul}]/u.test(text) ? eastern || plain : plain;
}

/** A sign of a font of symbols; those that only such a font has are bullets to everyone else. */
function symbol({ 'w:char': char = '' }: Record<string, string>): string {
  const code = Number.parseInt(char, 16);
  if (Number.isNaN(code)) return '';
  return code >= 0xf000 && code <= 0xf0ff ? '•' : String.fromCodePoint(code);
}

/** What a field of contents lists; `null` for a list of something else than headings. */
function contentsOf(field: Field, bookmarks: Bookmarks): object | null {
  const { switches } = field;
  if (
    !switches.has('o') &&
    !switches.has('u') &&
    (switches.has('c') || switches.has('a') || switches.has('f') || switches.has('t'))
  )
    return null;
  const depth = Math.min(6, Math.max(1, Number(/(\d)\s*"?$/.exec(switches.get('o') ?? '')?.[1] ?? 3)));
  const within = switches.get('b');
  const section = within ? bookmarks.target(within) : null;
  if (!section || section.kind === 'gone')
    return { scope: 'book', section: null, depth, back: false, backWords: '' };
  return {
    scope: 'section',
    section: section.id,
    depth: Math.max(1, depth - (section.level ?? 0)),
    back: false,
    backWords: '',
  };
}
