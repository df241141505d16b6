import { phrases } from '../../language/index.js';
import { attrsOf, isPicture } from '../../manuscript/index.js';
import type { Edition } from '../edition/edition.js';

/** What the file says of its accessibility: only what is so in every book that Vennet makes, or checked here. */
export function accessibility(
  edition: Edition,
  hasPictures: boolean,
  hasFormulas: boolean,
): [string, string][] {
  const described = !edition.book.chapters.some(({ doc }) => {
    let bare = false;
    doc.descendants((node) => {
      bare ||= isPicture(node) && !attrsOf.picture(node).decorative && attrsOf.picture(node).alt === '';
    });
    return bare;
  });
  const said = phrases(edition.book.language).accessibility;
  return [
    ['schema:accessMode', 'textual'],
    ...(hasPictures ? [['schema:accessMode', 'visual'] as [string, string]] : []),
    ...(described ? [['schema:accessModeSufficient', 'textual'] as [string, string]] : []),
    ...[
      'structuralNavigation',
      'tableOfContents',
      'readingOrder',
      ...(edition.pages.size > 0 ? ['pageBreakMarkers', 'pageNavigation'] : []),
      ...(hasFormulas ? ['MathML'] : []),
      ...(described && hasPictures ? ['alternativeText'] : []),
    ].map((feature): [string, string] => ['schema:accessibilityFeature', feature]),
    ['schema:accessibilityHazard', 'none'],
    ['schema:accessibilitySummary', described ? said.allDescribed : said.someNotDescribed],
  ];
}
