import { wordsOfLine, type PageText, type Stretch } from '@vennet/core/ground';

/** In which words are measured that nobody sees: they only have to be as wide as those of the page. */
const FACE = 'sans-serif';
let measure: CanvasRenderingContext2D | null = null;

/** How wide words are in a face of 100 CSS px. */
function widthOf(words: string): number {
  measure ??= document.createElement('canvas').getContext('2d');
  if (!measure) return 1;
  measure.font = `100px ${FACE}`;
  return measure.measureText(words).width || 1;
}

const percent = (share: number): string => `${(share * 100).toFixed(3)}%`;

/**
 * Lays the words of a page over it, each where it stands, so that they can be selected and read aloud. Sizes are in shares of the page, so
 * that it can be shown at any size.
 */
export function fillTextLayer(
  layer: HTMLElement,
  text: PageText,
  { number, width: across, height: down }: { number: number; width: number; height: number },
): void {
  const ratio = across / down;
  layer.replaceChildren(
    ...text.lines.map((line, index) => {
      const row = document.createElement('div');
      let at = 0;
      for (const { text: words, x, y, width, height, turned } of line) {
        const piece = document.createElement('span');
        piece.textContent = words;
        piece.dataset.at = String(at);
        if (turned) piece.dataset.turned = String(turned);
        // In shares of the side along which the words run: what they have of it, and what they take in this face; each sign gets its part
        // of the rest.
        const [length, type, side] = turned ? [height, width * ratio, 'cqh'] : [width, height / ratio, 'cqw'];
        const seen = words.trimEnd();
        const spacing = (length * 100 - widthOf(seen || ' ') * type) / (seen.length || 1);
        const size = turned ? `${width * 100}cqw` : `${height * 100}cqh`;
        piece.style.cssText = `left:${percent(x)};top:${percent(y)};font-size:${size};letter-spacing:${spacing.toFixed(4)}${side}`;
        row.append(piece);
        at += words.length;
      }
      row.dataset.line = String(index);
      row.dataset.page = String(number);
      return row;
    }),
  );
}

/** The words at a point of the window, a few of their line. */
export function wordsAt(layer: HTMLElement, x: number, y: number): string {
  const piece = [...layer.querySelectorAll('span')].find((span) => {
    const box = span.getBoundingClientRect();
    return x >= box.left && x <= box.right && y >= box.top && y <= box.bottom;
  });
  const line = piece?.parentElement;
  if (!piece || !line) return '';
  const all = line.textContent;
  return all.slice(Number(piece.dataset.at)).trim().split(/\s+/).slice(0, 6).join(' ');
}

/** What of a page is selected. */
export interface SelectedWords {
  page: number;
  stretches: Stretch[];
  words: string;
}

/** The words of a page that are selected in the window; of several pages those of the first. Ends without words are trimmed. */
export function selectedWords(
  root: HTMLElement,
  text: (page: number) => PageText | null,
): SelectedWords | null {
  const selection = window.getSelection();
  if (!selection || selection.isCollapsed || selection.rangeCount === 0) return null;
  const range = selection.getRangeAt(0);
  if (!root.contains(range.commonAncestorContainer)) return null;
  let page: number | null = null;
  const stretches: Stretch[] = [];
  for (const row of root.querySelectorAll<HTMLElement>('.ground-words > div')) {
    if (!range.intersectsNode(row)) continue;
    const number = Number(row.dataset.page);
    if (page !== null && number !== page) break;
    const [from, to] = within(row, range);
    if (to <= from) continue;
    page = number;
    stretches.push({ line: Number(row.dataset.line), from, to });
  }
  const read = page === null ? null : text(page);
  if (page === null || !read) return null;
  const trimmed = stretches.flatMap((stretch, index) => {
    const line = wordsOfLine(read.lines[stretch.line] ?? []);
    const words = line.slice(stretch.from, stretch.to);
    const isFirst = index === 0;
    const isLast = index === stretches.length - 1;
    const start = isFirst ? (/^[\s\p{Ps}\p{Pi}]*/u.exec(words)?.[0].length ?? 0) : 0;
    const end = isLast ? (/[\s\p{Pe}\p{Pf}.,;:!?]*$/u.exec(words)?.[0].length ?? 0) : 0;
    const [from, to] = [stretch.from + start, stretch.to - end];
    return to > from ? [{ ...stretch, from, to }] : [];
  });
  const words = trimmed
    .map(({ line, from, to }) =>
      wordsOfLine(read.lines[line] ?? [])
        .slice(from, to)
        .trim(),
    )
    .join(' ');
  return trimmed.length > 0 ? { page, stretches: trimmed, words } : null;
}

/** Which signs of a line lie within a range. */
function within(row: HTMLElement, range: Range): [from: number, to: number] {
  let [from, to] = [Infinity, -1];
  for (const piece of row.children) {
    const text = piece.firstChild;
    if (!(piece instanceof HTMLElement) || !text || !range.intersectsNode(piece)) continue;
    const at = Number(piece.dataset.at);
    const length = text.textContent?.length ?? 0;
    const start = range.startContainer === text ? range.startOffset : 0;
    const end = range.endContainer === text ? range.endOffset : length;
    if (end <= start) continue;
    from = Math.min(from, at + start);
    to = Math.max(to, at + end);
  }
  return [from, to];
}
