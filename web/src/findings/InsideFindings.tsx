import { Findings } from './FindingLine.js';
import { useBook } from '../book/store.js';
import { repairInside } from '../editor/changes/repair-inside.js';

/** What is found of a place, a note or a list, each with its repairs of one step. */
export function InsideFindings({ id }: { id: string }) {
  const all = useBook((store) => store.inside);
  const findings = all.filter(({ subject }) => subject.id === id);
  return (
    <Findings findings={findings} repair={(repair, { subject }) => void repairInside(subject, repair)} />
  );
}
