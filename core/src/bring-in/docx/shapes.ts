import type { Element } from 'domhandler';
import { getElementsByTagName, textContent } from 'domutils';
import type { Tally } from '../book/report.js';
import type { Block } from '../page/blocks.js';
import { below, childNamed, element, inside } from '../page/elements.js';
import type { Relation } from './package.js';

/** Where something is drawn, in English Metric Units from a corner that its neighbours share. */
interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A picture of the text, or a shape that lies on or beside it. */
export interface Float {
  kind: 'picture' | 'shape';
  box: Box;
  /** What the boxes of one group are measured from. */
  space: object;
  /** Of a picture: the picture, within its link. Of a shape: what its words have become. */
  element: Element;
  /** It stands in the line like a letter; others are anchored to their paragraph. */
  isInLine: boolean;
  /** Where the whole of a shape leads. */
  href: string;
  /** The words in a shape. */
  content: Element | null;
  /** It has neither ground nor line. */
  isClear: boolean;
  /** Its words can't be seen. */
  isUnseen: boolean;
}

/** A block in which something is drawn. */
export type Drawn = Block & { floats?: Float[] };

/** What drawings need to know of their document. */
export interface DrawnAmong {
  tally: Tally;
  /** The width of its lines, in English Metric Units (914,400 to an inch). */
  lineWidth: number;
  /** The address of a place of the document, as links have it. */
  addressOf(target: string): string;
  /** The size of a picture in its own pixels. */
  sizeOf(path: string): { width: number; height: number } | null;
}

/** English Metric Units in a pixel of CSS, and in a point. */
const PIXEL = 9525;
const POINT = 12_700;

/** What is drawn at a spot of the text: DrawingML (ECMA-376-1, 20.4 and 21) or VML (ECMA-376-4, 19). */
export function floatsIn(
  source: Element,
  relations: ReadonlyMap<string, Relation>,
  around: DrawnAmong,
): Float[] {
  const reader = new Drawing(relations, around);
  if (source.name === 'w:drawing') return inside(source).flatMap((one) => reader.anchored(one));
  if (source.name === 'w:object')
    around.tally.add(
      'leftOut',
      'embedded objects',
      'a book can’t carry them; what they showed stays as a picture',
    );
  return inside(source).flatMap((one) => reader.vector(one, {}));
}

class Drawing {
  constructor(
    readonly relations: ReadonlyMap<string, Relation>,
    readonly around: DrawnAmong,
  ) {}

  anchored(anchor: Element): Float[] {
    const size = sizeIn(childNamed(anchor, 'wp:extent')?.attribs, 'cx', 'cy');
    const offset = (name: string) =>
      Number(textContent(below(anchor, name, 'wp:posOffset') ?? element('none'))) || 0;
    const box = { x: offset('wp:positionH'), y: offset('wp:positionV'), ...size };
    const said = childNamed(anchor, 'wp:docPr');
    const data = below(anchor, 'a:graphic', 'a:graphicData');
    const space = anchor.name === 'wp:inline' ? LINE : PARAGRAPH;
    if (!data) return [];
    return inside(data).flatMap((one) => this.#shape(one, said, box, space));
  }

  #shape(source: Element, said: Element | null, box: Box, space: object): Float[] {
    switch (source.name) {
      case 'pic:pic':
        return this.#picture(source, said, box, space);
      case 'wps:wsp':
        return [this.#textBox(source, said, box, space)];
      case 'wpg:wgp':
      case 'wpg:grpSp': {
        const own = inside(source).flatMap((one) => {
          const at = below(
            one,
            one.name === 'pic:pic' ? 'pic:spPr' : one.name === 'wps:wsp' ? 'wps:spPr' : 'wpg:grpSpPr',
            'a:xfrm',
          );
          const corner = childNamed(at, 'a:off')?.attribs;
          const inner = {
            x: Number(corner?.x ?? 0),
            y: Number(corner?.y ?? 0),
            ...sizeIn(childNamed(at, 'a:ext')?.attribs, 'cx', 'cy'),
          };
          return this.#shape(one, null, inner, source);
        });
        const href = this.#hrefIn(said);
        return href && own.length === 1 && own[0] ? [{ ...own[0], href: own[0].href || href }] : own;
      }
      default:
        if (!/^(?:c|cx|dgm|lc|pic14|a14|am3d)/.test(source.name.split(':')[0] ?? '')) return [];
        this.around.tally.add(
          'leftOut',
          'pictures',
          'they are drawn by the word processor: put them in as pictures',
        );
        return [];
    }
  }

  #picture(source: Element, said: Element | null, box: Box, space: object): Float[] {
    const shown = below(source, 'pic:blipFill', 'a:blip');
    // A drawing stands beside the picture that is shown in its place.
    const [drawn] = getElementsByTagName('asvg:svgBlip', shown?.children ?? []);
    const blip = (drawn ?? shown)?.attribs;
    const relation = this.relations.get(blip?.['r:embed'] ?? blip?.['r:link'] ?? '');
    const own = below(source, 'pic:nvPicPr', 'pic:cNvPr');
    const names = [said, own].flatMap((one) => one?.attribs.descr ?? one?.attribs.title ?? []);
    const isDecorative = getElementsByTagName('adec:decorative', said?.children ?? []).some(({ attribs }) =>
      /^(?:1|true)$/.test(attribs.val ?? ''),
    );
    const link = this.#hrefIn(said) || this.#hrefIn(own);
    return [
      this.#shown(
        relation,
        isDecorative ? '' : names.find((one) => one.trim() !== ''),
        link,
        this.#tipIn(said) || this.#tipIn(own),
        box,
        space,
      ),
    ];
  }

  #shown(
    relation: Relation | undefined,
    alt: string | undefined,
    href: string,
    title: string,
    box: Box,
    space: object,
  ): Float {
    const src = relation?.target ?? '';
    const image = element('img', {
      src,
      ...(alt === undefined ? {} : { alt }),
      ...this.#widthOf(src, box.width),
    });
    return {
      kind: 'picture',
      ...{ box, space, href },
      element: href ? element('a', { href, ...(title ? { title } : {}) }, [image]) : image,
      content: null,
      isInLine: space === LINE,
      isClear: false,
      isUnseen: false,
    };
  }

  /** The share of the line that a picture takes, where it is not as wide as it is by itself. */
  #widthOf(path: string, width: number): Record<string, string> {
    const { lineWidth, sizeOf } = this.around;
    const natural = (sizeOf(path)?.width ?? 0) * PIXEL;
    if (width <= 0 || Math.abs(width - Math.min(natural, lineWidth)) < 0.02 * width) return {};
    return { style: `width: ${Math.min(100, Math.max(5, Number(((width / lineWidth) * 100).toFixed(1))))}%` };
  }

  #textBox(source: Element, said: Element | null, box: Box, space: object): Float {
    const properties = childNamed(source, 'wps:spPr');
    const content = below(source, 'wps:txbx', 'w:txbxContent');
    const href = this.#hrefIn(said) || this.#hrefIn(childNamed(source, 'wps:cNvPr'));
    const isClear =
      childNamed(properties, 'a:noFill') !== null && below(properties, 'a:ln', 'a:noFill') !== null;
    return {
      kind: 'shape',
      ...{ box, space, href, content, isClear },
      isInLine: false,
      element: linkShape(href),
      isUnseen: isUnseen(content),
    };
  }

  #hrefIn(said: Element | null): string {
    const click = childNamed(said, 'a:hlinkClick');
    const relation = this.relations.get(click?.attribs['r:id'] ?? '');
    return relation ? this.around.addressOf(relation.target) : '';
  }

  #tipIn(said: Element | null): string {
    return childNamed(said, 'a:hlinkClick')?.attribs.tooltip ?? '';
  }

  /** Shapes of VML, as older files and stand-ins have them. */
  vector(source: Element, outer: { href?: string }): Float[] {
    const { name, attribs } = source;
    if (!name.startsWith('v:') || name === 'v:shapetype') return [];
    const href = attribs.href ? this.around.addressOf(attribs.href) : (outer.href ?? '');
    if (name === 'v:group') return inside(source).flatMap((one) => this.vector(one, { href }));
    const side = (property: string) => lengthIn(attribs.style ?? '', property);
    const box = {
      x: side('margin-left'),
      y: side('margin-top'),
      width: side('width'),
      height: side('height'),
    };
    const image = childNamed(source, 'v:imagedata');
    if (image) {
      const relation = this.relations.get(image.attribs['r:id'] ?? '');
      return [
        this.#shown(
          relation,
          attribs.alt ?? image.attribs['o:title'],
          href,
          attribs.title ?? '',
          box,
          PARAGRAPH,
        ),
      ];
    }
    if (attribs['o:hr'] === 't' || attribs['o:hr'] === 'true')
      return [
        {
          kind: 'shape',
          box,
          space: PARAGRAPH,
          href: '',
          isInLine: false,
          content: null,
          isClear: false,
          isUnseen: false,
          element: element('hr'),
        },
      ];
    const content = below(source, 'v:textbox', 'w:txbxContent');
    const isClear = /^f/.test(attribs.filled ?? 't') && /^f/.test(attribs.stroked ?? 't');
    return [
      {
        kind: 'shape',
        ...{ box, href, content, isClear },
        isInLine: false,
        space: PARAGRAPH,
        element: linkShape(href),
        isUnseen: isUnseen(content),
      },
    ];
  }
}

/** What stands in the line, and what is anchored to its paragraph. */
const LINE = {};
const PARAGRAPH = {};

/** A shape without words that leads somewhere is a link without words, until a picture is found below it. */
const linkShape = (href: string): Element =>
  href ? element('p', {}, [element('a', { href })]) : element('div');

function sizeIn(
  attribs: Record<string, string> | undefined,
  across: string,
  down: string,
): { width: number; height: number } {
  return { width: Number(attribs?.[across] ?? 0), height: Number(attribs?.[down] ?? 0) };
}

/** A length of a CSS style, in English Metric Units. */
function lengthIn(style: string, property: string): number {
  const [, number, unit] =
    new RegExp(`(?:^|;)\\s*${property}\\s*:\\s*(-?[\\d.]+)(pt|in|cm|mm|px)?`, 'i').exec(style) ?? [];
  const units: Record<string, number> = { pt: POINT, in: 914_400, cm: 360_000, mm: 36_000, px: PIXEL };
  return (Number(number) || 0) * (units[unit?.toLowerCase() ?? 'px'] ?? PIXEL);
}

/** Words that nobody is to see: without a colour of their own, white, or smaller than can be read. */
function isUnseen(content: Element | null): boolean {
  if (!content) return true;
  const runs = getElementsByTagName('w:r', content.children).filter((run) => textContent(run).trim() !== '');
  return runs.every((run) => {
    const look = childNamed(run, 'w:rPr');
    const size = Number(childNamed(look, 'w:sz')?.attribs['w:val'] ?? 22);
    return (
      /^ffffff$/i.test(childNamed(look, 'w:color')?.attribs['w:val'] ?? '') ||
      below(look, 'w14:textFill', 'w14:noFill') !== null ||
      size <= 4
    );
  });
}

/** Words that only fill a shape: one or two signs, an address, or one of them again and again. */
function isFilling(text: string): boolean {
  const parts = text.trim().split(/\s+/);
  const [first = ''] = parts;
  const same = parts.every((part) => part === first);
  return same && (/^(.{1,2})\1*$/su.test(first) || /^(?:https?:\/\/|www\.|mailto:)/i.test(first));
}

/**
 * Shapes without ground and line that lie over a picture, with words that nobody is to read, are how a picture is made a link where
 * it can't be one: they become the link of the picture, or a part of it that leads somewhere. What is seen stays text.
 */
export function placeUnseen(blocks: readonly Drawn[], tally: Tally): Block[] {
  const gone = new Set<Element>();
  blocks.forEach((block, at) => {
    for (const shape of block.floats ?? []) {
      if (shape.kind !== 'shape') continue;
      const links = new Set(
        getElementsByTagName('a', [shape.element]).flatMap(({ attribs }) => attribs.href ?? []),
      );
      const [href] = links;
      const text = textContent(shape.element);
      const isLink =
        href !== undefined && links.size === 1 && shape.isClear && (shape.isUnseen || isFilling(text));
      const near = [block, blocks[at - 1], blocks[at + 1]].flatMap((one) => one?.floats ?? []);
      const picture = isLink ? near.find((one) => one.kind === 'picture' && share(one, shape)) : undefined;
      const box = picture && share(picture, shape);
      if (picture && box && href !== undefined) {
        layOver(picture, box, href, tally);
        gone.add(shape.element);
      } else if (text.trim() !== '')
        tally.add(
          'changed',
          'text boxes',
          'their words stand after the paragraph that they were anchored to',
        );
    }
  });
  return blocks.filter((block) => !gone.has(block.element));
}

/** Where a shape lies on a picture, in shares of it; `null` where it does not. */
function share(picture: Float, shape: Float): Box | null {
  const { box: below } = picture;
  if (below.width <= 0 || below.height <= 0) return null;
  // What stands in a line has no place of its own: the shape is taken to begin where it does.
  const origin =
    picture.space === shape.space ? below : { x: Math.min(0, shape.box.x), y: Math.min(0, shape.box.y) };
  const left = Math.max(0, (shape.box.x - origin.x) / below.width);
  const top = Math.max(0, (shape.box.y - origin.y) / below.height);
  const right = Math.min(1, (shape.box.x - origin.x + shape.box.width) / below.width);
  const bottom = Math.min(1, (shape.box.y - origin.y + shape.box.height) / below.height);
  return right - left > 0.01 && bottom - top > 0.01
    ? { x: left, y: top, width: right - left, height: bottom - top }
    : null;
}

function layOver({ element: shown }: Float, { x, y, width, height }: Box, href: string, tally: Tally): void {
  const { parent } = shown;
  if (!parent) return;
  const at = parent.children.indexOf(shown);
  const isWhole = width * height > 0.8 && shown.name === 'img';
  const why =
    'they were unseen words laid over a picture, and are links of the picture itself now: give each of them a name';
  tally.add('changed', isWhole ? 'links' : 'parts of pictures', why);
  const percent = (part: number) => `${(part * 100).toFixed(2)}%`;
  const link = isWhole
    ? element('a', { href }, [shown])
    : element('a', {
        href,
        style: `left: ${percent(x)}; top: ${percent(y)}; width: ${percent(width)}; height: ${percent(height)}`,
      });
  link.parent = parent;
  parent.children.splice(isWhole ? at : at + 1, isWhole ? 1 : 0, link);
}
