import { computedLinks, expectedLinks, type Edition } from '@vennet/core/publish';
import {
  foundWithoutUnseen,
  prove,
  withoutUnseen,
  type CutOffLine,
  type FoundLink,
  type Proof,
} from '@vennet/core/readback';

/** The match of a made file's links against those of its edition; `unseen` are signs that no font has a shape for. */
export function proofOf(
  edition: Edition,
  found: readonly FoundLink[],
  cutOff: readonly CutOffLine[] = [],
  unseen: ReadonlySet<string> = new Set(),
): Proof {
  const [expected, computed] = [expectedLinks(edition), computedLinks(edition)];
  if (unseen.size === 0) return prove(expected, found, computed, cutOff);
  const seen = withoutUnseen(unseen);
  return prove(expected.map(seen), found.map(foundWithoutUnseen(unseen)), computed.map(seen), cutOff);
}
