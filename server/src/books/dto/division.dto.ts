import type { DivisionLine } from '@vennet/core/edits';
import type { DivisionChange } from '@vennet/core/wire';
import { Flag, Whole, WordList, Words } from '../../platform/shapes.js';

/** A place at which a chapter begins, or could begin. */
export class DivisionLineDto implements DivisionLine {
  @Words({ description: 'The id of the chapter or of the heading' })
  id: string;

  @Words()
  title: string;

  @Whole({ description: 'Of its heading, 1 to 6; 1 where the chapter has none' })
  level: number;

  @Whole({ description: 'How many words stand from here to the next line' })
  words: number;

  @Flag()
  begins: boolean;
}

export class DivisionChangeDto implements DivisionChange {
  @WordList({
    most: 5000,
    description: 'The places at which chapters begin; the first line of the book always does',
  })
  begins: string[];
}
