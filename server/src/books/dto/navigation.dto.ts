import { SURENESSES, type Sureness } from '@vennet/core/edits';
import type { HandMadePiece, NavigationRequest } from '@vennet/core/wire';
import { Choice, WordList, Words } from '../../platform/shapes.js';

/** A piece of navigation that was typed by hand, and what it can become. */
export class HandMadeNavigationDto implements HandMadePiece {
  @Words({ description: 'By what it is named, until its chapter is changed' })
  key: string;

  @Words()
  chapter: string;

  @Words()
  words: string;

  @Words()
  before: string;

  @Words()
  after: string;

  @Choice(SURENESSES)
  sureness: Sureness;

  @Words({ description: 'Why it is not sure; empty for what is' })
  why: string;

  @Choice(['contents', 'return', 'reference', 'link'])
  becomes: HandMadePiece['becomes'];
}

export class NavigationRequestDto implements NavigationRequest {
  @WordList({ most: 20_000, description: 'The keys of the pieces that are made real' })
  take: string[];
}
