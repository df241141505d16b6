import type { CheckSchedule, CheckSettings } from '@vennet/core/wire';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { api } from '../api/client.js';
import { queries } from '../api/queries.js';
import { Choice } from '../parts/Choice.js';
import { Group } from '../parts/Group.js';
import { Labelled } from '../parts/Labelled.js';
import { tellFault, useNotices } from '../parts/notices.js';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

const NEW_SCHEDULE: Omit<CheckSchedule, 'zone'> = { every: 'day', weekday: 1, time: '06:00' };

interface CheckDialogProps {
  book: string;
  open: boolean;
  show(open: boolean): void;
}

/** When the links of this book are checked by themselves, and how all books are checked. */
export function CheckDialog({ book, open, show }: CheckDialogProps) {
  const schedule = useQuery({ ...queries.schedule(book), enabled: open });
  const settings = useQuery({ ...queries.checkSettings(), enabled: open });
  return (
    <Dialog.Root open={open} onOpenChange={show}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog !w-[min(44rem,calc(100vw-2rem))] text-left">
          <Dialog.Title className="text-xl font-semibold">When and how links are checked</Dialog.Title>
          <Dialog.Description className="mt-1 mb-4 text-soft">
            The schedule is for this book, the rest for all your books.
          </Dialog.Description>
          {schedule.data !== undefined && settings.data && (
            <Fields book={book} schedule={schedule.data} settings={settings.data} close={() => show(false)} />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

interface FieldsProps {
  book: string;
  schedule: CheckSchedule | null;
  settings: CheckSettings;
  close(): void;
}

function Fields({ book, schedule: stored, settings: before, close }: FieldsProps) {
  const client = useQueryClient();
  const [schedule, setSchedule] = useState(stored);
  const [settings, setSettings] = useState(before);
  const set = (more: Partial<CheckSettings>) => setSettings({ ...settings, ...more });
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const plan = (more: Partial<CheckSchedule>) => setSchedule({ ...NEW_SCHEDULE, zone, ...schedule, ...more });
  const keep = async () => {
    try {
      await api.setCheckSettings(settings);
      await api.setSchedule(book, schedule);
      await client.invalidateQueries(queries.checkSettings());
      await client.invalidateQueries(queries.schedule(book));
      await client.invalidateQueries(queries.verdicts(book));
      await client.invalidateQueries(queries.checks(book));
      close();
      useNotices.getState().tell('Links are checked as you chose.');
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <div className="grid gap-x-8 gap-y-5 sm:grid-cols-2">
        <Group title="By themselves">
          <Choice name="every" words="Never" on={schedule === null} pick={() => setSchedule(null)} />
          <Choice
            name="every"
            words="Every day"
            on={schedule?.every === 'day'}
            pick={() => plan({ every: 'day' })}
          />
          <Choice
            name="every"
            words="Every week"
            on={schedule?.every === 'week'}
            pick={() => plan({ every: 'week' })}
          />
          {schedule && (
            <div className="flex gap-3 pt-1">
              {schedule.every === 'week' && (
                <Labelled label="On">
                  {(id) => (
                    <select
                      id={id}
                      className="field !w-36"
                      value={schedule.weekday}
                      onChange={(event) => plan({ weekday: Number(event.target.value) })}
                    >
                      {DAYS.map((day, index) => (
                        <option key={day} value={index + 1}>
                          {day}
                        </option>
                      ))}
                    </select>
                  )}
                </Labelled>
              )}
              <Labelled label="At">
                {(id) => (
                  <input
                    id={id}
                    type="time"
                    required
                    className="field !w-32"
                    value={schedule.time}
                    onChange={(event) => plan({ time: event.target.value })}
                  />
                )}
              </Labelled>
            </div>
          )}
          <p className="text-sm text-soft">
            While Vennet runs; what fell due meanwhile is made up for at its start.
          </p>
        </Group>
        <Group title="At one site">
          <Count
            label="Requests begun in a second, at most"
            value={settings.perSecond}
            most={50}
            change={(perSecond) => set({ perSecond })}
          />
          <Count
            label="Requests under way at once, at most"
            value={settings.atOnce}
            most={16}
            change={(atOnce) => set({ atOnce })}
          />
          <label className="flex items-start gap-2 pt-1">
            <input
              type="checkbox"
              className="mt-1 accent-amber"
              checked={settings.robots}
              onChange={(event) => set({ robots: event.target.checked })}
            />
            Leave alone what sites ask programs not to look at (robots.txt)
          </label>
        </Group>
        <Group title="Told to sites, and asked of an archive">
          <Words
            label="Where you can be reached (an address, or nothing)"
            value={settings.contact}
            change={(contact) => set({ contact })}
          />
          <Words
            label="Where copies of lost pages are looked for"
            placeholder="Address of a TimeGate (RFC 7089)"
            value={settings.timeGate}
            change={(timeGate) => set({ timeGate: timeGate.trim() })}
          />
        </Group>
        <Group title="What time changes">
          <Count
            label="What you say of a page holds for days"
            value={settings.saidDays}
            most={3650}
            change={(saidDays) => set({ saidDays })}
          />
          <Count
            label="Unreachable becomes broken after checks in a row"
            value={settings.brokenRuns}
            most={100}
            change={(brokenRuns) => set({ brokenRuns })}
          />
          <Count
            label="… and over so many days"
            least={0}
            value={settings.brokenDays}
            most={365}
            change={(brokenDays) => set({ brokenDays })}
          />
        </Group>
      </div>
      <div className="mt-5 flex justify-end gap-2">
        <Dialog.Close className="button" data-look="quiet">
          Not now
        </Dialog.Close>
        <button type="submit" className="button" data-look="main">
          Check this way
        </button>
      </div>
    </form>
  );
}

interface CountProps {
  label: string;
  value: number;
  least?: number;
  most: number;
  change(value: number): void;
}

const Count = ({ label, value, least = 1, most, change }: CountProps) => (
  <Labelled label={label}>
    {(id) => (
      <input
        id={id}
        type="number"
        required
        className="field !w-28"
        min={least}
        max={most}
        value={Number.isNaN(value) ? '' : value}
        onChange={(event) => change(event.target.valueAsNumber)}
      />
    )}
  </Labelled>
);

interface WordsProps {
  label: string;
  value: string;
  placeholder?: string;
  change(value: string): void;
}

const Words = ({ label, value, placeholder, change }: WordsProps) => (
  <Labelled label={label}>
    {(id) => (
      <input
        id={id}
        className="field"
        value={value}
        placeholder={placeholder}
        onChange={(event) => change(event.target.value)}
      />
    )}
  </Labelled>
);
