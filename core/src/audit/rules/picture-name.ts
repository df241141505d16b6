import { describesPicture, isPictureWord } from '../../language/index.js';
import { factsOf } from '../facts.js';
import { languageOf, type Rule } from '../finding.js';
import { betterWords } from '../suggested-words.js';
import { isFileName } from './placeholder-text.js';

/** A picture that leads somewhere under a name that is none: "image", `IMG_2034.jpg`. WCAG 1.1.1, F30; ACT qt1vmo. */
export const pictureName: Rule = {
  id: 'picture-name',
  title: 'Pictures and parts of pictures named by a file name or a word such as “image”',
  severity: 'must-fix',
  criterion: 'WCAG 1.1.1 (F30)',
  looksAt: ({ carrier }) => carrier === 'picture' || carrier === 'area',
  find(link, context) {
    const words = factsOf(link).words;
    const isFile = isFileName(words);
    if (!isFile && !isPictureWord(words, languageOf(link, context))) return null;
    return {
      judged: 'alone',
      message: isFile
        ? `This picture leads somewhere, and all that a screen reader says is the name of a file, “${words}”. Say where it leads.`
        : `This picture leads somewhere, and all that a screen reader says is “${words}”. Say where it leads.`,
      repairs: betterWords(link, context),
    };
  },
};

/** A picture whose words describe what is seen, where they should say where it leads. WCAG 2.4.4 (H30, G94). */
export const pictureDescribed: Rule = {
  id: 'picture-described',
  title: 'Pictures whose words describe what is seen, and not where it leads',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.4 (H30, G94)',
  looksAt: ({ carrier }) => carrier === 'picture',
  find(link, context) {
    const words = factsOf(link).words;
    if (!describesPicture(words, languageOf(link, context))) return null;
    return {
      judged: 'alone',
      message: `“${words}” describes the picture. Where a picture leads somewhere, its words say where.`,
      repairs: betterWords(link, context),
    };
  },
};
