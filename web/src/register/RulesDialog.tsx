import { allRules, type RuleChoice, type RuleHead } from '@vennet/core/audit';
import { counted } from '@vennet/core/language';
import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { SEVERITY_WORDS, SeverityMark } from '../parts/SeverityMark.js';
import { when } from '../parts/when.js';

const CHOICES: readonly RuleChoice['severity'][] = ['must-fix', 'should-fix', 'consider', 'off'];
const WORDS: Record<RuleChoice['severity'], string> = { ...SEVERITY_WORDS, off: 'Off for this book' };

/** Every rule by which links are judged, and how grave this book takes it. */
export function RulesDialog({ open, show }: { open: boolean; show(open: boolean): void }) {
  return (
    <Dialog.Root open={open} onOpenChange={show}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog !w-[min(56rem,calc(100vw-2rem))]">
          <Dialog.Title className="text-xl font-semibold">Rules for this book</Dialog.Title>
          <Dialog.Description className="mt-1 mb-3 text-soft">
            What fails WCAG 2.2 at level A or AA must be fixed; risks and techniques should be; level AAA may
            be considered. You can take a rule graver, lighter, or not at all, and say why.
          </Dialog.Description>
          <RuleList />
          <div className="mt-4 flex justify-end">
            <Dialog.Close className="button">Done</Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function RuleList() {
  const choices = useBook((store) => store.choices.rules);
  const findings = useBook((store) => store.findings);
  const inside = useBook((store) => store.inside);
  const chosen = useMemo(() => new Map(choices.map((one) => [one.rule, one])), [choices]);
  const counts = useMemo(() => {
    const all = new Map<string, number>();
    for (const { rule } of [...[...findings.values()].flat(), ...inside])
      all.set(rule, (all.get(rule) ?? 0) + 1);
    return all;
  }, [findings, inside]);
  return (
    <ul className="max-h-[55vh] divide-y divide-line overflow-auto border-y border-line">
      {allRules.map((rule) => (
        <RuleEntry key={rule.id} rule={rule} choice={chosen.get(rule.id)} found={counts.get(rule.id) ?? 0} />
      ))}
    </ul>
  );
}

function RuleEntry({
  rule,
  choice,
  found,
}: {
  rule: RuleHead;
  choice: RuleChoice | undefined;
  found: number;
}) {
  const [wanted, setWanted] = useState<RuleChoice['severity'] | null>(null);
  const [reason, setReason] = useState('');
  const severity = choice?.severity ?? rule.severity;
  const keep = async () => {
    if (!wanted || reason.trim() === '') return;
    if (await openBook().survey.chooseRule(rule.id, { severity: wanted, reason: reason.trim() })) {
      setWanted(null);
      setReason('');
    }
  };
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-4 gap-y-1 py-2.5 pr-2">
      <div>
        <p>{rule.title}</p>
        <p className="text-sm text-soft">
          {rule.criterion}
          {found > 0 && ` · ${counted(found, 'finding', 'findings')}`}
        </p>
        {choice && (
          <p className="text-sm">
            “{choice.reason}” <span className="text-soft">{when(choice.at, 'day')}</span>{' '}
            <button
              type="button"
              className="cursor-pointer underline"
              onClick={() => void openBook().survey.chooseRule(rule.id, null)}
            >
              As it is by itself
            </button>
          </p>
        )}
      </div>
      <label className="flex items-center gap-2 text-sm">
        {severity !== 'off' && <SeverityMark severity={severity} />}
        <span className="sr-only">How grave: {rule.title}</span>
        <select
          className="field !w-40"
          value={wanted ?? severity}
          onChange={(event) => {
            const value = event.target.value as RuleChoice['severity'];
            setWanted(value === severity ? null : value);
          }}
        >
          {CHOICES.map((one) => (
            <option key={one} value={one}>
              {WORDS[one]}
            </option>
          ))}
        </select>
      </label>
      {wanted && (
        <form
          className="col-span-2 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <label className="min-w-60 grow">
            <span className="label">Why “{WORDS[wanted]}” in this book</span>
            <input className="field" value={reason} onChange={(event) => setReason(event.target.value)} />
          </label>
          <button
            type="submit"
            className="button"
            data-size="small"
            data-look="main"
            disabled={reason.trim() === ''}
          >
            Take it so
          </button>
          <button
            type="button"
            className="button"
            data-size="small"
            data-look="quiet"
            onClick={() => setWanted(null)}
          >
            Not now
          </button>
        </form>
      )}
    </li>
  );
}
