import type { Finding } from '@vennet/core/audit';
import { counted } from '@vennet/core/language';
import type { Link } from '@vennet/core/manuscript';
import { planDestinations, planEach, planWithoutTracking, type Plan } from '@vennet/core/repair';
import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useBook } from '../book/store.js';
import type { BulkWish } from './BulkDialog.js';
import type { Row } from './rows.js';
import { asideOfFinding, type AsideWish } from './SetAsideDialog.js';

interface BulkBarProps {
  rows: readonly Row[];
  clear(): void;
  preview(wish: BulkWish): void;
  pickWords(links: Link[]): void;
  setAside(wish: AsideWish): void;
}

/** What can be done to all ticked rows at once; each is previewed before it is made. */
export function BulkBar({ rows, clear, preview, pickWords, setAside }: BulkBarProps) {
  const verdicts = useBook((store) => store.verdicts);
  const findings = useBook((store) => store.findings);
  if (rows.length === 0) return null;
  const links = [
    ...new Map(rows.flatMap(({ uses }) => uses.map((link) => [link.id, link] as const))).values(),
  ];
  const answer = ({ href }: Link) => verdicts.get(href);
  const web = (href: string | null | undefined) => (href ? { kind: 'web' as const, href } : null);
  const asks: [string, () => Plan][] = [
    [
      'Take the new addresses of what has moved',
      () => planDestinations(links, (link) => web(answer(link)?.movedTo)),
    ],
    [
      'Take HTTPS where it answers the same',
      () => planDestinations(links, (link) => web(answer(link)?.securedTo)),
    ],
    [
      'Lead what is lost to its copy in an archive',
      () => planDestinations(links, (link) => web(answer(link)?.copy?.href)),
    ],
    ['Drop what tracks readers', () => planWithoutTracking(links)],
    [
      'Trim the ends',
      () => planEach(links, ({ carrier }) => (carrier === 'text' ? [{ type: 'trim' }] : null)),
    ],
    [
      'Make the first repair of each finding',
      () => planEach(links, ({ id }) => firstRepairs(findings.get(id))),
    ],
    ['Remove the links and keep the words', () => planEach(links, () => [{ type: 'unlink' }])],
  ];
  const asideAll = () => {
    const entries = links.flatMap((link) =>
      (findings.get(link.id) ?? []).map((finding) => asideOfFinding(link, finding)),
    );
    setAside({ words: `${counted(entries.length, 'finding', 'findings')} of what is ticked`, entries });
  };
  const hasFindings = links.some(({ id }) => findings.has(id));
  return (
    <div
      role="group"
      aria-label="What is ticked"
      className="sticky top-0 z-10 mb-2 flex flex-wrap items-center gap-3 rounded-md border border-amber bg-wash px-3 py-1.5"
    >
      <span role="status" className="font-semibold">
        {counted(links.length, 'link is', 'links are')} ticked
      </span>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="button" data-size="small" data-look="main">
          Put right <ChevronDown size={14} aria-hidden="true" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content className="menu" align="start">
            {asks.map(([words, plan]) => (
              <DropdownMenu.Item
                key={words}
                className="menu-item"
                onSelect={() => preview({ words, plan: plan() })}
              >
                {words}
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <button type="button" className="button" data-size="small" onClick={() => pickWords(links)}>
        Pick words one by one
      </button>
      <button type="button" className="button" data-size="small" disabled={!hasFindings} onClick={asideAll}>
        Set findings aside …
      </button>
      <button type="button" className="button ml-auto" data-size="small" data-look="quiet" onClick={clear}>
        Untick all
      </button>
    </div>
  );
}

/** The first repair of the gravest finding that has one and gives nothing up. */
function firstRepairs(findings: readonly Finding[] = []) {
  const [first] = findings.flatMap(({ repairs }) =>
    repairs.filter(({ repair }) => repair.type !== 'unlink' && repair.type !== 'make-note'),
  );
  return first ? [first.repair] : null;
}
