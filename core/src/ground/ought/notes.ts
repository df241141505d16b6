import { boxAround, type Box } from '../../manuscript/index.js';
import { heightOf, usualHeight } from '../headings.js';
import type { Line, Piece } from '../page-text.js';
import type { Found, Reading, SpotToMake, Sureness } from './ought.js';

/** What a note is marked with: a number, or one of the signs for it. */
const SIGN = /^(?:\d{1,3}|[*†‡§¶‖]{1,3})$/u;
/** Digits that are raised by themselves, at the end of a word. */
const RAISED_DIGITS = /[¹²³⁰⁴-⁹]+$/u;
/** How a line of a note begins. */
const BEGINS = /^\s*(\d{1,3}|[*†‡§¶‖]{1,3}|[¹²³⁰⁴-⁹]{1,3})(?:[.)\]]?\s+|(?=\p{Lu}))\S/u;
/** A sign is smaller than the words beside it, and ends above their feet. */
const SMALLER = 0.82;
const ABOVE = 0.08;
/** Notes below the text are set smaller than it. */
const NOTE_SIZE = 0.95;

interface Sign {
  /** Of the page, from 0. */
  index: number;
  line: number;
  from: number;
  to: number;
  sign: string;
  box: Box;
}

/** A note, by the sign that it begins with. */
interface Note extends Sign {
  isSmall: boolean;
}

interface Pair {
  mark: Sign;
  note: Sign;
  sureness: Sureness;
  why: string;
}

/**
 * Marks of notes, which lead to their notes, and the signs of notes, which lead back: notes at the foot of their page, and those that are
 * gathered below a heading. Common practice (no source).
 */
export function notes(reading: Reading): Found[] {
  const marks = reading.texts.map(({ lines }, index) =>
    lines.flatMap((line, row) => marksIn(line, index, row)),
  );
  const usual = usualHeight(reading.texts);
  const atFoot = marks.flatMap((here, index) => pairedOnPage(here, notesOn(reading, index, usual)));
  const paired = new Set(atFoot.map(({ mark }) => mark));
  const rest = marks.flat().filter((mark) => !paired.has(mark) && /^\d/.test(mark.sign));
  const gathered = pairedInRuns(runsOf(rest), gatheredNotes(reading));
  const back = new Set<Sign>();
  return [...atFoot, ...gathered].flatMap(({ mark, note, sureness, why }) => {
    const found = [
      between('note', mark, spotAt(note, `Note ${note.sign}`), `The mark of a note. ${why}`, sureness),
    ];
    // Several marks of one note: it leads back to the first.
    if (!back.has(note))
      found.push(
        between(
          'back',
          note,
          spotAt(mark, `Mark ${mark.sign}`),
          `The way back from a note. ${why}`,
          sureness,
        ),
      );
    back.add(note);
    return found;
  });
}

const between = (
  kind: 'note' | 'back',
  { index, line, from, to, sign }: Sign,
  spot: SpotToMake,
  why: string,
  sureness: Sureness,
): Found => ({
  kind,
  page: index + 1,
  at: { line, from, to },
  words: sign,
  destination: null,
  spot,
  sureness,
  why,
});

const spotAt = ({ index, box: { x, y } }: Sign, name: string): SpotToMake => ({
  page: index + 1,
  name,
  x: Math.max(0, x),
  y: Math.max(0, y),
});

const bottomOf = ({ y, height }: Box): number => y + height;

/** Whether a piece stands raised beside the words of its line. */
const isRaised = (piece: Piece, beside: Box): boolean =>
  !piece.turned &&
  piece.height <= beside.height * SMALLER &&
  bottomOf(piece) <= bottomOf(beside) - beside.height * ABOVE;

const hasWords = ({ text }: Piece): boolean => /[\p{L}]/u.test(text);

/** The marks of notes in a line: what stands raised behind a word. */
function marksIn(line: Line, index: number, row: number): Sign[] {
  const marks: Sign[] = [];
  let at = 0;
  let before: Piece | null = null;
  for (const piece of line) {
    const { text } = piece;
    const sign = text.trim();
    const own = hasWords(piece) ? RAISED_DIGITS.exec(sign)?.[0] : undefined;
    if (before && SIGN.test(sign) && isRaised(piece, before))
      marks.push({ index, line: row, from: at, to: at + sign.length, sign, box: piece });
    else if (own) {
      const from = at + sign.length - own.length;
      marks.push({ index, line: row, from, to: from + own.length, sign: own.normalize('NFKC'), box: piece });
    }
    if (hasWords(piece)) before = piece;
    at += text.length;
  }
  return marks;
}

/** The lines of a page that begin as notes do. */
function notesOn({ texts, lines }: Reading, index: number, usual: number): Note[] {
  return (lines[index] ?? []).flatMap((words, row): Note[] => {
    const sign = BEGINS.exec(words)?.[1];
    const line = texts[index]?.lines[row];
    const first = line?.find(({ text }) => text.trim() !== '');
    const said = line?.filter(hasWords) ?? [];
    if (!sign || !line || !first || said.length === 0) return [];
    const from = words.indexOf(sign);
    const isSmall = heightOf(said) <= usual * NOTE_SIZE || isRaised(first, boxAround(said));
    return [
      {
        index,
        line: row,
        from,
        to: from + sign.length,
        sign: sign.normalize('NFKC'),
        box: boxAround(line),
        isSmall,
      },
    ];
  });
}

/** Marks of a page with the notes at its foot. */
function pairedOnPage(marks: readonly Sign[], notes: readonly Note[]): Pair[] {
  return marks.flatMap((mark) => {
    const fitting = notes.filter(
      ({ sign, isSmall, box, line }) =>
        isSmall && sign === mark.sign && line !== mark.line && box.y > mark.box.y,
    );
    const [note] = fitting;
    if (!note) return [];
    const isSure = fitting.length === 1;
    return [
      {
        mark,
        note,
        sureness: isSure ? 'sure' : 'likely',
        why: isSure
          ? 'The note stands at the foot of its page.'
          : 'Several lines of its page begin with this sign; the first was taken.',
      },
    ];
  });
}

/** Signs whose numbers rise, a run for each time that they begin anew. */
function runsOf(signs: readonly Sign[]): Sign[][] {
  const runs: Sign[][] = [];
  let last = Infinity;
  for (const sign of signs) {
    const number = Number(sign.sign);
    if (number < last && number === 1) runs.push([]);
    runs.at(-1)?.push(sign);
    last = number;
  }
  return runs;
}

/** Notes that are gathered below a heading, in runs: their numbers follow one another. */
function gatheredNotes(reading: Reading): Note[][] {
  const runs: Note[][] = [];
  let expected = 0;
  reading.lines.forEach((lines, index) => {
    const heading = lines.findIndex((line) => reading.words.notes.test(line.trim()));
    if (heading < 0 && expected === 0) return;
    const from = heading >= 0 && expected === 0 ? heading : -1;
    if (heading >= 0 && expected === 0) expected = 1;
    const here = notesOn(reading, index, Infinity).filter(({ line }) => line > from);
    let some = false;
    for (const note of here) {
      const number = Number(note.sign);
      if (number !== expected && number !== 1) continue;
      if (number === 1) runs.push([]);
      runs.at(-1)?.push(note);
      expected = number + 1;
      some = true;
    }
    // A page without any ends them.
    if (!some) expected = 0;
  });
  return runs;
}

/** Marks with the notes that are gathered elsewhere: the first run of marks with the first of notes, and so on. */
function pairedInRuns(marks: readonly Sign[][], notes: readonly Note[][]): Pair[] {
  const isSure = marks.length === notes.length;
  return marks.flatMap((run, at) => {
    const byNumber = new Map((notes[at] ?? []).map((note) => [note.sign, note]));
    return run.flatMap((mark): Pair[] => {
      const note = byNumber.get(mark.sign);
      if (!note) return [];
      const where = `The note stands among those on page ${note.index + 1}.`;
      return [
        {
          mark,
          note,
          sureness: isSure ? 'likely' : 'look',
          why: isSure ? where : `${where} Their numbers begin anew at other places than those of the marks.`,
        },
      ];
    });
  });
}
