import type { Ground } from '@vennet/core/manuscript';
import { Info } from 'lucide-react';
import { useBook } from '../book/store.js';

/** What has to be known of a finished file before anything is changed: whether it is signed, and what its owner forbids. */
export function GroundNotice() {
  const ground = useBook((store) => store.book?.ground);
  const told = ground ? toldOf(ground) : [];
  if (told.length === 0) return null;
  return (
    <aside
      aria-label="About this file"
      className="flex shrink-0 items-start gap-2 border-b border-line bg-wash px-5 py-1.5 text-sm"
    >
      <Info size={16} aria-hidden="true" className="mt-0.5 shrink-0" />
      <p>{told.join(' ')}</p>
    </aside>
  );
}

function toldOf({ signed, certified, forbidden, cannotAdd }: Ground): string[] {
  return [
    ...(certified !== null
      ? ['This file is certified: with other links, reading programs say that it was changed.']
      : signed
        ? [
            'This file is signed: published as an addition, what was signed stays as it is, and programs say that something was added.',
          ]
        : []),
    ...(forbidden.length > 0
      ? [`Its owner forbids ${forbidden.join(', ')}: ask before you give it on with other links.`]
      : []),
    ...(cannotAdd ? [`It can only be written anew, since ${cannotAdd}.`] : []),
  ];
}
