import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Fingerprint, likeness, wordsIn } from './index.js';

const printOf = (text: string) => {
  const print = new Fingerprint();
  print.add(text);
  return print.toString();
};

/** Texts of two kinds in each of ten languages, written for this. */
const TEXTS: Record<string, [string, string]> = {
  en: [
    'The lamp on the mole was lit in spring and the keeper wrote down what he saw that night from the gallery.',
    'Bread is baked at six, and whoever comes after ten has to be content with what the others have left on the shelf.',
  ],
  de: [
    'Die Lampe auf der Mole wurde im Frühling angezündet, und der Wärter schrieb auf, was er in jener Nacht sah.',
    'Das Brot kommt um sechs aus dem Ofen, und wer nach zehn kommt, muss nehmen, was die anderen übrig ließen.',
  ],
  fr: [
    'La lampe du môle fut allumée au printemps et le gardien nota ce qu’il vit cette nuit-là depuis la galerie.',
    'Le pain sort du four à six heures, et qui vient après dix heures prend ce que les autres ont laissé.',
  ],
  es: [
    'La lámpara del muelle se encendió en primavera y el farero anotó lo que vio aquella noche desde la galería.',
    'El pan sale del horno a las seis, y quien llega después de las diez toma lo que los demás dejaron.',
  ],
  it: [
    'La lampada del molo fu accesa in primavera e il guardiano annotò ciò che vide quella notte dalla galleria.',
    'Il pane esce dal forno alle sei, e chi arriva dopo le dieci prende quello che gli altri hanno lasciato.',
  ],
  pl: [
    'Lampę na molo zapalono wiosną, a latarnik zapisał, co tej nocy zobaczył z galerii nad morzem.',
    'Chleb wychodzi z pieca o szóstej, a kto przyjdzie po dziesiątej, bierze to, co zostawili inni.',
  ],
  ru: [
    'Лампу на молу зажгли весной, и смотритель записал, что он увидел той ночью с галереи над морем.',
    'Хлеб выходит из печи в шесть, и кто придёт после десяти, берёт то, что оставили другие люди.',
  ],
  fi: [
    'Lamppu aallonmurtajalla sytytettiin keväällä, ja vartija kirjoitti muistiin, mitä hän näki sinä yönä.',
    'Leipä tulee uunista kuudelta, ja kymmenen jälkeen tuleva saa sen, minkä muut ovat jättäneet hyllylle.',
  ],
  ja: [
    '桟橋の灯は春にともされ、番人はその夜に見たものを書きとめた。三隻の舟が戻った。',
    'パンは六時に焼きあがり、十時より後に来た者は残りものを買うことになる。',
  ],
  zh: [
    '码头上的灯在春天点亮，守灯人写下了那一夜从走廊上看到的一切，三条船回来了。',
    '面包六点出炉，十点以后来的人只能买别人剩下的东西，然后安静地回家去。',
  ],
};

describe.each(Object.entries(TEXTS))('in %s', (_language, [lamp, bread]) => {
  test('a text is like itself, and like itself with a word more', () => {
    expect(likeness(printOf(lamp), printOf(lamp))).toBe(1);
    expect(likeness(printOf(`${lamp} ${bread}`), printOf(`${lamp} ${bread} 1`))).toBeGreaterThan(0.7);
  });
  test('another text is another', () => expect(likeness(printOf(lamp), printOf(bread))).toBeLessThan(0.1));
});

/** The share of pairs that two texts have in common, counted. */
function counted(one: string[], other: string[]): number {
  const pairs = (words: string[]) => new Set(words.slice(1).map((word, index) => `${words[index]} ${word}`));
  const [left, right] = [pairs(one), pairs(other)];
  const both = [...left].filter((pair) => right.has(pair)).length;
  return both / (left.size + right.size - both);
}

test('the likeness of two texts is near the share of pairs that they have in common, counted', () =>
  fc.assert(
    fc.property(fc.array(fc.nat(400), { minLength: 120, maxLength: 300 }), fc.nat(100), (numbers, keep) => {
      const words = numbers.map((number) => `w${number}`);
      const cut = Math.round((words.length * keep) / 100);
      const changed = [...words.slice(0, cut), ...words.slice(cut).map((word) => `${word}x`)];
      const told = likeness(printOf(words.join(' ')), printOf(changed.join(' ')));
      // 32 hashes: four standard deviations are 4 * sqrt(0.25 / 32).
      expect(Math.abs(told - counted(words, changed))).toBeLessThan(0.36);
    }),
  ));

test('a text without two words has no fingerprint', () => {
  expect(printOf('')).toBe('');
  expect(printOf('lamp')).toBe('');
  expect(printOf('the lamp')).toHaveLength(8);
  expect(printOf(TEXTS.en![0].repeat(2) + TEXTS.de![0])).toHaveLength(256);
  expect(wordsIn('Tide tables 灯台')).toBe(4);
});
