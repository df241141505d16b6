import { useState } from 'react';
import { insertTable, MOST_NEW, type NewTable as Chosen } from '../editor/changes/tables.js';
import { Tick } from '../parts/Tick.js';
import { Labelled } from '../parts/Labelled.js';
import { AskButtons, AskDialog } from './AskDialog.js';
import { accept } from './write-asks.js';

/** How large a new table is, what heads it, and its caption. */
export function NewTable() {
  const [chosen, choose] = useState<Chosen>({
    rows: 3,
    columns: 3,
    headRow: true,
    headColumn: false,
    caption: '',
  });
  const set = (more: Partial<Chosen>) => choose({ ...chosen, ...more });
  return (
    <AskDialog ask="table" title="A new table">
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          accept(insertTable({ ...chosen, caption: chosen.caption.trim() }));
          set({ caption: '' });
        }}
      >
        <div className="grid grid-cols-2 gap-4">
          <Count label="Rows" value={chosen.rows} most={MOST_NEW.rows} change={(rows) => set({ rows })} />
          <Count
            label="Columns"
            value={chosen.columns}
            most={MOST_NEW.columns}
            change={(columns) => set({ columns })}
          />
        </div>
        <Tick on={chosen.headRow} turn={() => set({ headRow: !chosen.headRow })}>
          The first row says what stands below
        </Tick>
        <Tick on={chosen.headColumn} turn={() => set({ headColumn: !chosen.headColumn })}>
          The first column says what stands beside
        </Tick>
        <Labelled label="Caption">
          {(id) => (
            <input
              id={id}
              className="field"
              maxLength={1000}
              value={chosen.caption}
              autoComplete="off"
              onChange={(event) => set({ caption: event.target.value })}
            />
          )}
        </Labelled>
        <p className="text-sm text-soft">With a caption it is named by it, counted, and can be led to.</p>
        <AskButtons words="Put it in" />
      </form>
    </AskDialog>
  );
}

function Count({
  label,
  value,
  most,
  change,
}: {
  label: string;
  value: number;
  most: number;
  change(count: number): void;
}) {
  return (
    <Labelled label={label}>
      {(id) => (
        <input
          id={id}
          className="field"
          type="number"
          min={1}
          max={most}
          required
          defaultValue={value}
          onFocus={(event) => event.target.select()}
          onChange={({ target }) => target.validity.valid && change(target.valueAsNumber)}
        />
      )}
    </Labelled>
  );
}
