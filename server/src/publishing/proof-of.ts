import { CONTENTS } from '@vennet/core/manuscript';
import { computedLinks, expectedLinks, type Edition, type ExpectedLink } from '@vennet/core/publish';
import {
  foundWithoutUnseen,
  proveEach,
  withoutUnseen,
  type CutOffLine,
  type FoundLink,
  type Proof,
  type ProofTable,
} from '@vennet/core/readback';

/** What is known of a made file beside its links. */
export interface AboutMade {
  cutOff?: readonly CutOffLine[];
  /** Signs that no font has a shape for. */
  unseen?: ReadonlySet<string>;
  /** How many ways back to the contents stand at the feet of its pages. */
  backs?: number;
}

/** The proof alone. */
export const proofOf = (...given: Parameters<typeof proofTable>): Proof => proofTable(...given).proof;

/** The match of a made file's links against those of its edition. */
export function proofTable(
  edition: Edition,
  found: readonly FoundLink[],
  { cutOff = [], unseen = new Set(), backs = 0 }: AboutMade = {},
): ProofTable {
  const expected = expectedLinks(edition);
  const computed = [...computedLinks(edition), ...Array.from({ length: backs }, () => wayBack(edition))];
  if (unseen.size === 0) return proveEach(expected, found, computed, cutOff);
  const seen = withoutUnseen(unseen);
  return proveEach(expected.map(seen), found.map(foundWithoutUnseen(unseen)), computed.map(seen), cutOff);
}

/** The words of a way back are an artifact of its page: its link has none. */
const wayBack = (edition: Edition): ExpectedLink => ({
  id: CONTENTS,
  href: `#${edition.nameOf(CONTENTS)}`,
  text: '',
  chapter: '',
  landing: '',
});
