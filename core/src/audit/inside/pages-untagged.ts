import type { InsideRule } from './inside-finding.js';

/** A finished file without tags: no program knows the order of its words, nor what is a heading or a link. ISO 14289-1, 7.1; PDF/UA. */
export const pagesUntagged: InsideRule = {
  id: 'pages-untagged',
  title: 'Finished files without tags',
  severity: 'should-fix',
  criterion: 'ISO 14289-1, 7.1; WCAG 1.3.1 and 1.3.2',
  find({ book }) {
    const [chapter] = book.chapters;
    if (!book.ground || book.ground.tagged || !chapter) return [];
    return [
      {
        subject: { id: chapter.id, kind: 'pages', chapter: chapter.id, at: 0, words: book.ground.name },
        message:
          'This PDF is not tagged: a screen reader has to guess in which order its words are read, and what is a heading, a list or a link. The links are heard by their names all the same. Ask whoever laid it out for a tagged PDF (PDF/UA), and carry the links over to it.',
        repairs: [],
      },
    ];
  },
};
