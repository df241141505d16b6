import { isTag, type Element } from 'domhandler';

/** How wide a file says that a picture is, and whether it stands at one side of the text. */
export interface PictureSize {
  /** In percent of the line, from 5 to 100; `null` where no share is said. */
  share: number | null;
  /** A width is said, but not as a share. */
  isFixed: boolean;
  isAside: boolean;
}

/** Elements around a picture that say where it stands, from the picture outwards. */
const WRAPS = /^(?:a|div|figure|p|picture|span)$/;
/** How far out is looked. */
const OUTWARDS = 3;

/** What a picture and what holds it alone say of its size (HTML, 4.8.16; CSS 2.2, 10.2 and 9.5.1). */
export function sizeOfPicture(element: Element): PictureSize {
  const size: PictureSize = { share: null, isFixed: false, isAside: false };
  let one: Element | null = element;
  for (let step = 0; one && step <= OUTWARDS; step++) {
    const { style = '', width = '', align = '' } = one.attribs;
    const said = /(?:^|;)\s*width\s*:\s*([^;!]+)/i.exec(style)?.[1] ?? (one === element ? width : '');
    const share = /^\s*(\d+(?:\.\d+)?)\s*%\s*$/.exec(said)?.[1];
    if (share !== undefined) size.share ??= Math.min(100, Math.max(5, Number(share)));
    else if (/\d/.test(said)) size.isFixed = true;
    size.isAside ||= /^(?:left|right)$/i.test(align) || /(?:^|;)\s*float\s*:\s*(?:left|right)/i.test(style);
    one = wrapOf(one);
  }
  return size;
}

function wrapOf({ parent }: Element): Element | null {
  if (!parent || !isTag(parent) || !WRAPS.test(parent.name)) return null;
  const others = parent.children.filter((child) => isTag(child) && child.name !== 'figcaption');
  return others.length === 1 || parent.name === 'figure' ? parent : null;
}
