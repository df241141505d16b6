import type { FindingCounts } from '@vennet/core/wire';
import { Whole } from './shapes.js';

export class FindingCountsDto implements FindingCounts {
  @Whole()
  mustFix: number;

  @Whole()
  shouldFix: number;

  @Whole()
  consider: number;
}
