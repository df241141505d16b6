import { isTag, isText, type ChildNode, type Element } from 'domhandler';
import { getElementsByTagName, textContent } from 'domutils';
import { Fragment, type Mark, type Node } from 'prosemirror-model';
import { directionOfWords, languageTold } from '../../language/index.js';
import { idOf, isPicture, linkMark, roomHeight, schema, tableOf, wordsOf } from '../../manuscript/index.js';
import { isBlock, MARKS, PLAIN_STYLE } from './elements.js';
import { figureOf, withWords } from './figure.js';
import { beginningPage, isCredit } from './layout.js';
import { InlineReader, type Surroundings } from './inline-reader.js';
import { contentsFrom, isRemark } from './inside.js';
import { InlineRun } from './inline-run.js';

/**
 * Reads the content of a file into block nodes, `language` being the one that the file is said to be in. Nothing in it is run, and
 * nothing is fetched.
 */
export function readFlow(nodes: ChildNode[], around: Surroundings, language = ''): Node[] {
  const reader = new FlowReader(around);
  const tag = languageTold(language);
  const blocks = reader.blocks(nodes, tag ? [schema.marks.language.create({ tag })] : []);
  return reader.finish(blocks);
}

class FlowReader extends InlineReader {
  /** Ids after the last block stay at its end, where it has words. */
  finish(blocks: Node[]): Node[] {
    if (this.waiting.length === 0) return blocks;
    const anchors = this.waiting.splice(0).map((id) => schema.node('anchor', { id }));
    const last = blocks.at(-1);
    if (last?.type.name === 'paragraph' || last?.type.name === 'heading')
      return [...blocks.slice(0, -1), last.copy(last.content.append(Fragment.from(anchors)))];
    return [...blocks, schema.node('paragraph', null, anchors)];
  }

  blocks(nodes: ChildNode[], marks: readonly Mark[]): Node[] {
    const blocks: Node[] = [];
    let run = new InlineRun();
    const flush = () => {
      const node = this.#paragraph(run);
      if (node) blocks.push(node);
      run = new InlineRun();
    };
    let items: Node[] = [];
    const list = () => {
      if (items.length > 0) blocks.push(schema.node('bullet_list', null, items));
      items = [];
    };
    for (const node of nodes) {
      if (items.length > 0 && isText(node) && node.data.trim() === '') continue;
      if (isTag(node) && node.name === 'li') {
        // An item that stands in no list makes one with its neighbours.
        flush();
        items.push(...this.#container('list_item', node, marks));
        continue;
      }
      if (isTag(node) && isBlock(node)) {
        flush();
        list();
        blocks.push(...this.#block(node, marks));
      } else {
        list();
        this.inline(node, marks, run);
      }
    }
    flush();
    list();
    return blocks;
  }

  #block(element: Element, marks: readonly Mark[]): Node[] {
    const name = element.name;
    if (this.dropped(element)) return [];
    if (name === 'a') return this.blocks(element.children, this.linkMarks(element, marks));
    if (element.attribs.dir) this.#tellOfDirection(element, element.attribs.dir.toLowerCase());
    return beginningPage(element, this.#inLanguage(element, this.spoken(element, marks)), this.around.breaks);
  }

  /** Every form here runs a paragraph as its first letter does; what a file says otherwise is told. */
  #tellOfDirection(element: Element, told: string): void {
    const own = directionOfWords(textContent(element));
    if (own !== null && (told === 'rtl' || told === 'ltr') && told !== own)
      this.around.tally.add('changed', 'directions of text', 'each paragraph runs as its first letter does');
  }

  #inLanguage(element: Element, marks: readonly Mark[]): Node[] {
    const name = element.name;
    if (MARKS[name] || PLAIN_STYLE.has(name)) {
      this.await(element);
      return this.blocks(element.children, this.styled(element, marks));
    }
    switch (name) {
      case 'p':
        return this.#textblocks(element, marks);
      case 'h1':
      case 'h2':
      case 'h3':
      case 'h4':
      case 'h5':
      case 'h6':
        return this.#heading(element, marks);
      case 'blockquote':
        return this.#container('quotation', element, marks);
      case 'ul':
      case 'menu':
      case 'dir':
      case 'ol':
        return this.#list(element, marks);
      case 'dl':
        return this.#terms(element, marks);
      case 'pre':
        return this.#code(element, marks);
      case 'hr':
        return this.#rule(element);
      case 'figure':
        return this.#figure(element, marks);
      case 'table':
        return this.#table(element, marks);
      default:
        if (element.attribs['data-room'] !== undefined) return this.#room(element);
        if (element.attribs['data-contents'] !== undefined) return this.#contents(element, marks);
        if (isRemark(element)) return this.#remark(element, marks);
        this.await(element);
        return this.blocks(element.children, marks);
    }
  }

  #contents(element: Element, marks: readonly Mark[]): Node[] {
    const placeOf = (id: string) => {
      const destination = this.around.resolve(`#${id}`);
      return 'kind' in destination && destination.kind === 'place' ? destination.place : null;
    };
    const id = element.attribs.id ? this.around.placeId(element.attribs.id) : undefined;
    const node = contentsFrom(element, id ?? this.around.mint(), placeOf);
    if (!node) return this.blocks(element.children, marks);
    this.around.tally.add('kept', 'lists of contents');
    return [node];
  }

  /** The remark of a note is kept together, as the item of a list, until it comes to its mark. */
  #remark(element: Element, marks: readonly Mark[]): Node[] {
    const item = this.#container('list_item', element, marks);
    return item.length > 0 ? [schema.node('bullet_list', null, item)] : [];
  }

  /** The id of the block that an element becomes: its own, else the first that waits. */
  #idFor(element: Element): { id: string | null } {
    const waited = this.waiting.length;
    this.await(element);
    const [own = this.waiting.shift() ?? null] = this.waiting.splice(waited, 1);
    return { id: own };
  }

  /** A block that has turned out empty is not made; its id waits for the next spot. */
  #nothing({ id }: { id: string | null }): Node[] {
    if (id) this.waiting.unshift(id);
    return [];
  }

  #textblocks(element: Element, marks: readonly Mark[]): Node[] {
    this.await(element);
    return this.blocks(element.children, marks);
  }

  #heading(element: Element, marks: readonly Mark[]): Node[] {
    const uncounted = element.attribs['data-uncounted'] !== undefined;
    const attrs = { ...this.#idFor(element), level: levelOf(element), uncounted };
    const content = this.#inlines(element, marks);
    if (content.length === 0) return this.#nothing(attrs);
    this.around.tally.add('kept', 'headings');
    return [schema.node('heading', attrs, content)];
  }

  /** All the words of an element as inline nodes, whatever blocks stand in it. */
  #inlines(element: Element, marks: readonly Mark[]): Node[] {
    const run = new InlineRun();
    for (const child of element.children) this.inline(child, marks, run);
    return this.ended(run);
  }

  #container(type: string, element: Element, marks: readonly Mark[]): Node[] {
    const attrs = this.#idFor(element);
    const content = this.blocks(element.children, this.spoken(element, marks));
    if (content.length === 0) return this.#nothing(attrs);
    if (type === 'quotation') this.around.tally.add('kept', 'quotations');
    if (type === 'list_item') this.around.tally.add('kept', 'list items');
    return [schema.node(type, attrs, content)];
  }

  #list(element: Element, marks: readonly Mark[]): Node[] {
    const attrs = this.#idFor(element);
    const items: Node[] = [];
    for (const child of element.children) {
      if (!isTag(child)) {
        if (isText(child) && child.data.trim() !== '') items.push(listItem(this.blocks([child], marks)));
      } else if (child.name === 'li') {
        const item = this.#container('list_item', child, marks);
        items.push(...(item.length > 0 ? item : [listItem([schema.node('paragraph')])]));
      } else {
        const blocks = isBlock(child) ? this.#block(child, marks) : this.blocks([child], marks);
        if (blocks.length > 0) items.push(listItem(blocks));
      }
    }
    if (items.length === 0) return this.#nothing(attrs);
    this.around.tally.add('kept', 'lists');
    const ordered = element.name === 'ol';
    if (ordered) this.#tellOfNumbers(element);
    const start = Number.parseInt(element.attribs.start ?? '1', 10) || 1;
    return [
      schema.node(ordered ? 'ordered_list' : 'bullet_list', ordered ? { ...attrs, start } : attrs, items),
    ];
  }

  /** Terms and meanings in groups (HTML, 4.4.9); what stands among them is part of a meaning. */
  #terms(element: Element, marks: readonly Mark[]): Node[] {
    const attrs = this.#idFor(element);
    const parts: Node[] = [];
    const meaning = (content: Node[]) => parts.push(schema.node('meaning', null, content));
    const take = (children: ChildNode[]) => {
      for (const child of children) {
        if (!isTag(child) && !(isText(child) && child.data.trim() !== '')) continue;
        if (isTag(child) && child.name === 'div') take(child.children);
        else if (isTag(child) && child.name === 'dt') parts.push(this.#term(child, marks));
        else if (isTag(child) && child.name === 'dd') parts.push(...this.#container('meaning', child, marks));
        else {
          const blocks = this.blocks([child], marks);
          if (blocks.length > 0) meaning(blocks);
        }
      }
    };
    take(element.children);
    if (!parts.some((part) => part.childCount > 0 || part.type.name === 'meaning'))
      return this.#nothing(attrs);
    if (parts[0]?.type.name !== 'term') parts.unshift(schema.node('term'));
    if (parts.at(-1)?.type.name !== 'meaning') meaning([schema.node('paragraph')]);
    this.around.tally.add('kept', 'lists of terms');
    return [schema.node('term_list', attrs, parts)];
  }

  #term(element: Element, marks: readonly Mark[]): Node {
    const attrs = this.#idFor(element);
    return schema.node('term', attrs, this.#inlines(element, this.spoken(element, marks)));
  }

  /** What a list says of its numbers, and what no list here has. */
  #tellOfNumbers({ attribs, children }: Element): void {
    const tell = (why: string) => this.around.tally.add('changed', 'lists', why);
    if (/^[aAiI]$/.test(attribs.type ?? '')) tell('their letters or Roman numbers became plain numbers');
    if (attribs.reversed !== undefined) tell('their numbers ran backwards, and run forwards');
    if (children.some((child) => isTag(child) && child.attribs.value !== undefined))
      tell('some of their items had numbers of their own, and are counted on');
  }

  #code(element: Element, marks: readonly Mark[]): Node[] {
    const attrs = this.#idFor(element);
    const links = onlyLinks(marks);
    const nodes: Node[] = [];
    const walk = (children: ChildNode[], over: readonly Mark[]) => {
      for (const child of children) {
        if (isText(child) && child.data !== '') nodes.push(schema.text(child.data, over));
        if (!isTag(child)) continue;
        if (child.name === 'br') nodes.push(schema.text('\n', over));
        this.await(child);
        nodes.push(...this.waiting.splice(0).map((id) => schema.node('anchor', { id }, undefined, over)));
        walk(child.children, child.name === 'a' ? onlyLinks(this.linkMarks(child, over, false)) : over);
      }
    };
    walk(element.children, links);
    if (nodes.length === 0) return this.#nothing(attrs);
    this.around.tally.add('kept', 'passages of code');
    return [schema.node('code_block', attrs, withoutFirstBreak(nodes))];
  }

  #rule(element: Element): Node[] {
    return [schema.node('rule', this.#idFor(element))];
  }

  #room(element: Element): Node[] {
    this.around.tally.add('kept', 'rooms to write');
    for (const one of getElementsByTagName(() => true, element.children)) this.await(one);
    const height = roomHeight(Number(element.attribs['data-room']));
    const ruled = element.attribs.class?.split(/\s+/).includes('ruled') ?? false;
    return [schema.node('room', { ...this.#idFor(element), height, ruled })];
  }

  #figure(element: Element, marks: readonly Mark[]): Node[] {
    this.await(element);
    const captions = element.children.filter(
      (child): child is Element => isTag(child) && child.name === 'figcaption',
    );
    const rest = element.children.filter((child) => !captions.includes(child as Element));
    const blocks = this.blocks(rest, marks);
    const [first] = captions;
    const credited = first?.children.find(isCredit);
    const credit = credited ? this.#inlines(credited, marks) : [];
    if (first && credited) first.children = first.children.filter((child) => child !== credited);
    const caption = first ? this.#inlines(first, marks) : [];
    if (caption.length + credit.length === 0) return blocks;
    const [only] = blocks;
    if (blocks.length === 1 && only?.type.name === 'figure') return [withWords(only, caption, credit)];
    this.around.tally.add(
      'changed',
      'figures',
      'they held more than one picture, and their caption became a paragraph',
    );
    return [
      ...blocks,
      ...[caption, credit]
        .filter((line) => line.length > 0)
        .map((line) => schema.node('paragraph', null, line)),
    ];
  }

  #table(element: Element, marks: readonly Mark[]): Node[] {
    const attrs = this.#idFor(element);
    const rows: Node[] = [];
    const caption = element.children.find(
      (child): child is Element => isTag(child) && child.name === 'caption',
    );
    const said = caption ? schema.node('table_caption', null, this.#inlines(caption, marks)) : null;
    for (const row of rowsOf(element)) {
      this.await(row);
      const cells = row.children
        .filter((child): child is Element => isTag(child) && (child.name === 'td' || child.name === 'th'))
        .map((cell) => this.#cell(cell, marks));
      if (cells.length > 0) rows.push(schema.node('table_row', null, cells));
    }
    if (rows.length === 0) return this.#nothing(attrs);
    this.around.tally.add('kept', 'tables');
    return [tableOf(rows, attrs, said)];
  }

  #cell(element: Element, marks: readonly Mark[]): Node {
    const attrs = this.#idFor(element);
    const span = (name: string) =>
      Math.min(100, Math.max(1, Number.parseInt(element.attribs[name] ?? '1', 10) || 1));
    const content = this.blocks(element.children, this.spoken(element, marks));
    const type = element.name === 'th' ? 'table_header' : 'table_cell';
    return schema.node(
      type,
      { ...attrs, colspan: span('colspan'), rowspan: span('rowspan') },
      content.length > 0 ? content : [schema.node('paragraph')],
    );
  }

  /** A paragraph, or a figure where the run is one picture and nothing else. */
  #paragraph(run: InlineRun): Node | null {
    const content = this.ended(run);
    if (content.length === 0) return null;
    const pictures = content.filter((node) => node.type.name === 'picture');
    const rest = content.filter((node) => node.type.name !== 'picture');
    const [picture] = pictures;
    if (picture && pictures.length === 1 && rest.every(isBareAnchor))
      return figureOf(
        picture,
        rest.flatMap((node) => idOf(node) ?? []),
        this.areas.get(picture) ?? [],
        this.shares.get(picture) ?? null,
      );
    for (const one of pictures)
      for (const _area of this.areas.get(one) ?? [])
        this.around.tally.add('leftOut', 'links', 'they lay on a picture within a line');
    return schema.node('paragraph', leadingId(content), withoutLeadingId(content));
  }
}

/** The level of a heading; each `h1` of a section within another that has a heading of its own stands a level deeper. */
function levelOf(element: Element): number {
  const level = Number(element.name[1]);
  if (level !== 1) return level;
  let depth = 1;
  let section = sectionAround(element);
  while (section) {
    const outer = sectionAround(section);
    if (outer && hasOwnHeading(outer)) depth++;
    section = outer;
  }
  return Math.min(6, depth);
}

function sectionAround({ parent }: Element): Element | null {
  let around = parent;
  while (around && !(isTag(around) && /^(?:section|article)$/.test(around.name))) around = around.parent;
  return around;
}

const hasOwnHeading = ({ children }: Element): boolean =>
  children.some(
    (child) =>
      isTag(child) &&
      (/^h[1-6]$/.test(child.name) || (/^(?:header|hgroup)$/.test(child.name) && hasOwnHeading(child))),
  );

/** Code holds links and no other marks. */
const onlyLinks = (marks: readonly Mark[]): Mark[] => marks.filter(({ type }) => type.name === 'link');

const listItem = (content: Node[]): Node => schema.node('list_item', null, content);

/** A spot without words that carries no link. */
const isBareAnchor = (node: Node): boolean => node.type.name === 'anchor' && !linkMark(node);

/** An anchor at the very start of a paragraph is the paragraph's own id. */
function leadingId(content: Node[]): { id: string | null } {
  const [first] = content;
  return { id: first && isBareAnchor(first) ? idOf(first) : null };
}

function withoutLeadingId(content: Node[]): Node[] {
  return leadingId(content).id ? content.slice(1) : content;
}

/** HTML drops a line break just after `<pre>`. */
function withoutFirstBreak(nodes: Node[]): Node[] {
  const [first, ...rest] = nodes;
  if (!first?.text?.startsWith('\n')) return nodes;
  const text = first.text.slice(1);
  return text === '' ? rest : [schema.text(text, first.marks), ...rest];
}

function rowsOf(table: Element): Element[] {
  return table.children
    .filter((child): child is Element => isTag(child))
    .flatMap((child) =>
      child.name === 'tr' ? [child] : /^t(?:head|body|foot)$/.test(child.name) ? rowsOf(child) : [],
    );
}

/** True when a doc has anything to read. */
export function hasContent(blocks: readonly Node[]): boolean {
  return blocks.some(
    (block) => wordsOf(block) !== '' || block.type.name === 'rule' || isPicture(block) || holdsPicture(block),
  );
}

function holdsPicture(block: Node): boolean {
  let holds = false;
  block.descendants((node) => {
    holds ||= isPicture(node);
    return !holds;
  });
  return holds;
}
