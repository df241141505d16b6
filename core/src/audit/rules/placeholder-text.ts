import { isPictureWord } from '../../language/index.js';
import { factsOf } from '../facts.js';
import { languageOf, type Rule } from '../finding.js';
import { betterWords } from '../suggested-words.js';

/** A name of a file: one word with an ending of a type, or a number as cameras give it. */
export const FILE_NAME =
  /^[\p{L}\p{N}_()[\]%+~@ -]{1,80}\.(?:pdf|docx?|odt|rtf|txt|md|csv|tsv|xlsx?|ods|pptx?|odp|epub|mobi|zip|rar|7z|tar|gz|jpe?g|png|gif|svg|webp|bmp|tiff?|heic|mp3|mp4|m4a|m4v|wav|ogg|flac|mov|avi|mkv|webm|html?|xhtml|php|aspx?|json|xml|gpx|kml|ics|exe|dmg|apk|iso)$/iu;
export const CAMERA_NAME =
  /^(?:img|dsc[nf]?|dcim|pict?|image|photo|scan|screenshot|p)[ _-]?\d{2,}(?:[_-]?\d+)*$/i;

/** True for a file name; a word before its ending at least, and no sentence. */
export const isFileName = (name: string): boolean =>
  CAMERA_NAME.test(name) || (name.includes('.') && FILE_NAME.test(name) && name.split(' ').length <= 4);

/** A file name, or a word for a picture, where words should stand. WCAG 2.4.4 (G91), F30. */
export const placeholderText: Rule = {
  id: 'placeholder-text',
  title: 'File names and words such as “image” in place of words',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.4 (G91)',
  looksAt: ({ carrier }) => carrier === 'text',
  find(link, context) {
    const words = factsOf(link).words;
    const isFile = isFileName(words);
    if (!isFile && !isPictureWord(words, languageOf(link, context))) return null;
    return {
      judged: 'alone',
      message: isFile
        ? `“${words}” is the name of a file. Put words that say what is in it.`
        : `“${words}” says that there is something to see, but not what. Put words that name it.`,
      repairs: betterWords(link, context),
    };
  },
};
