/** The roles that people have in a book: codes of the MARC relator terms (Library of Congress), by what they are called here. */
export const ROLES: readonly (readonly [code: string, words: string])[] = [
  ['aut', 'Author'],
  ['edt', 'Editor'],
  ['trl', 'Translator'],
  ['ill', 'Illustrator'],
  ['pht', 'Photographer'],
  ['ctg', 'Cartographer'],
  ['aui', 'Author of the introduction'],
  ['aft', 'Author of the afterword'],
  ['ctb', 'Contributor'],
  ['res', 'Researcher'],
  ['bkd', 'Book designer'],
  ['cov', 'Cover designer'],
  ['pfr', 'Proofreader'],
  ['nrt', 'Narrator'],
];
