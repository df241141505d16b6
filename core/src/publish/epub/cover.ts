import { DRAWN_COVER, type BookDetails } from '../../manuscript/index.js';
import { element, escapeXml } from '../markup/xml.js';

/** A cover drawn from the title: 1,600 by 2,400 units, the words wrapped by their count of characters. */
export function coverDrawing(book: Pick<BookDetails, 'title' | 'subtitle' | 'author'>): string {
  const title = wrap(book.title, 16).slice(0, 7);
  const subtitle = wrap(book.subtitle, 38).slice(0, 4);
  const line = (words: string, y: number, size: number) =>
    element(
      'text',
      { x: '800', y: String(y), 'font-size': String(size), 'text-anchor': 'middle' },
      escapeXml(words),
    );
  const titleLines = title.map((words, index) => line(words, 760 + index * 170, 140));
  const below = 760 + title.length * 170;
  const subtitleLines = subtitle.map((words, index) => line(words, below + index * 76, 60));
  return `<?xml version="1.0" encoding="utf-8"?>
<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1600 2400" width="1600" height="2400">
<title>${escapeXml(book.title)}</title>
<rect width="1600" height="2400" fill="#f4ecdc"/>
<rect x="90" y="90" width="1420" height="2220" fill="none" stroke="#12343b" stroke-width="6"/>
<path d="M800 300 L800 520 M690 410 L910 410 M722 332 L878 488 M878 332 L722 488" stroke="#b5651d" stroke-width="10"/>
<g id="${DRAWN_COVER}" fill="#12343b" font-family="Literata, Georgia, serif">
${[...titleLines, ...subtitleLines, ...(book.author ? [line(book.author, 2180, 72)] : [])].join('\n')}
</g>
</svg>
`;
}

function wrap(words: string, width: number): string[] {
  const lines: string[] = [];
  for (const word of words.split(/\s+/).filter(Boolean)) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= width)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
