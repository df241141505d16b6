/** A picture of pasted text: where it stands is an anchor of this id until it is brought in. */
export interface PastedPicture {
  spot: string;
  src: string;
  alt: string;
}

/** What of a pasted page is no text and no picture, and is left out. */
const NO_TEXT = 'iframe, video, audio, object, embed, canvas, form, svg, applet';

export interface PastedParts {
  pictures: PastedPicture[];
  /** How many films, sounds, drawings and forms are left out. */
  leftOut: number;
}

/**
 * Puts anchors in the place of the pictures of a pasted page, and gives the pictures. Those of this text itself have their own form and stay.
 * `mint` gives a new id at each call.
 */
export function partsOfPasted(body: HTMLElement, mint: () => string): PastedParts {
  const pictures: PastedPicture[] = [];
  for (const image of body.querySelectorAll('img')) {
    const src = image.getAttribute('src') ?? '';
    if (image.closest('figure[data-figure]') || src.startsWith('/api/enclosures/')) continue;
    const { width, height } = image;
    // A picture of one point counts who reads, and shows nothing.
    const isSeen = src !== '' && !(image.hasAttribute('width') && width <= 1 && height <= 1);
    if (isSeen) {
      const spot = mint();
      pictures.push({ spot, src, alt: image.getAttribute('alt')?.trim() ?? '' });
      const anchor = body.ownerDocument.createElement('span');
      anchor.id = spot;
      anchor.setAttribute('data-anchor', '');
      image.replaceWith(anchor);
    } else image.remove();
  }
  const others = [...body.querySelectorAll(NO_TEXT)].filter(
    (element) => !element.parentElement?.closest(NO_TEXT),
  );
  return { pictures, leftOut: others.length };
}

/** The bytes of a picture that travels in its own address; `null` for one that lies elsewhere. */
export function pictureIn(src: string): File | null {
  const [, type = '', coding = '', data = ''] =
    /^data:(image\/[\w.+-]+)[^,]*?(;base64)?,(.*)$/is.exec(src) ?? [];
  if (type === '') return null;
  try {
    const text = coding ? atob(data.replace(/\s/g, '')) : decodeURIComponent(data);
    const bytes = coding
      ? Uint8Array.from(text, (sign) => sign.charCodeAt(0))
      : new TextEncoder().encode(text);
    const ending = type
      .replace(/^image\//, '')
      .replace(/\+xml$/, '')
      .replace('jpeg', 'jpg');
    return new File([bytes], `pasted.${ending}`, { type });
  } catch {
    return null;
  }
}
