import { imageSize } from 'image-size';
import { parseDocument } from 'htmlparser2';
import { isTag, type ChildNode, type Element } from 'domhandler';
import render from 'dom-serializer';

/** A file that came with a book: a picture, whose `bytes` are safe to show, or anything else that links lead to. */
export interface BroughtEnclosure {
  id: string;
  name: string;
  /** Media type, told by the content; of a file that is no picture it is not known yet. */
  type: string;
  bytes: Uint8Array;
  picture: boolean;
}

const TYPES: Record<string, string> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  gif: 'image/gif',
  webp: 'image/webp',
  svg: 'image/svg+xml',
  bmp: 'image/bmp',
  tiff: 'image/tiff',
  avif: 'image/avif',
};

/** Pictures of more than this many pixels are not kept (common practice: 50 megapixels fill a page at 600 dpi). */
const MOST_PIXELS = 50_000_000;

/** The picture as it can be kept, or why it can't. The type is told by the content, never by the name. */
export function readPicture(bytes: Uint8Array): { type: string; bytes: Uint8Array } | { fault: string } {
  let size: ReturnType<typeof imageSize>;
  try {
    size = imageSize(bytes);
  } catch {
    return { fault: 'the picture’s data can’t be read' };
  }
  const type = TYPES[size.type ?? ''];
  if (!type) return { fault: `pictures of the type ${size.type} can’t be shown` };
  if (type !== 'image/svg+xml' && size.width * size.height > MOST_PIXELS)
    return { fault: 'the picture has more than 50 million pixels' };
  return { type, bytes: type === 'image/svg+xml' ? withoutScripts(bytes) : bytes };
}

/** An SVG without anything that runs or fetches: scripts, handlers, foreign content, outside references. */
export function withoutScripts(bytes: Uint8Array): Uint8Array {
  const document = parseDocument(new TextDecoder().decode(bytes), { xmlMode: true });
  const clean = (nodes: ChildNode[]): ChildNode[] =>
    nodes.filter((node) => {
      if (!isTag(node)) return node.type === 'text' || node.type === 'cdata';
      if (
        /^(?:\w+:)?(?:script|foreignObject|iframe|object|embed|audio|video|handler|listener)$/i.test(
          node.name,
        )
      )
        return false;
      cleanAttributes(node);
      node.children = clean(node.children);
      return true;
    });
  document.children = clean(document.children);
  return new TextEncoder().encode(
    `<?xml version="1.0" encoding="utf-8"?>\n${render(document, { xmlMode: true }).trim()}\n`,
  );
}

function cleanAttributes(element: Element): void {
  for (const [name, value] of Object.entries(element.attribs)) {
    const reference =
      /(?:^|:)(?:href|src)$/i.test(name) && !/^\s*(?:#|data:image\/(?:png|jpeg|gif|webp);)/i.test(value);
    const outside = /url\s*\(\s*['"]?\s*(?!#)/i.test(value) || /javascript:/i.test(value);
    if (/^on/i.test(name) || reference || outside) delete element.attribs[name];
  }
  if (/^style$/i.test(element.name))
    for (const child of element.children)
      if (child.type === 'text' && /@import|url\s*\(\s*['"]?\s*(?!#)/i.test(child.data)) child.data = '';
}
