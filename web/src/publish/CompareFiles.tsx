import { message } from '@vennet/core/language';
import type { ProofRow } from '@vennet/core/readback';
import { linksBetween, type LinkBetween } from '@vennet/core/reports';
import type { ExportJob } from '@vennet/core/wire';
import { useQuery } from '@tanstack/react-query';
import { GitCompareArrows, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { api } from '../api/client.js';
import { when } from '../parts/when.js';
import type { SavedTable } from './save-table.js';
import { LinkTable } from './LinkTable.js';
import { SaveTable } from './SaveTable.js';
import { ToLink } from './ToLink.js';

const WHAT: Record<LinkBetween['what'], string> = { gone: 'Gone', new: 'New', changed: 'Changed' };

/** What became of the links from a file that was made before to the newest one. */
export function CompareFiles({ older, newer }: { older: ExportJob; newer: ExportJob }) {
  const about = `Compare the file of ${when(older.createdAt, 'moment')} with the newest`;
  return (
    <Dialog.Root>
      <Dialog.Trigger className="button" data-size="small" data-look="quiet" aria-label={about} title={about}>
        <GitCompareArrows size={15} aria-hidden="true" />
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog" data-size="wide" aria-describedby={undefined}>
          <div className="flex items-start justify-between gap-3">
            <Dialog.Title className="font-text text-xl">What became of the links</Dialog.Title>
            <Dialog.Close className="button" data-look="quiet" data-size="small" aria-label="Close">
              <X size={16} aria-hidden="true" />
            </Dialog.Close>
          </div>
          <p className="text-soft">
            From the file of {when(older.createdAt, 'moment')} to that of {when(newer.createdAt, 'moment')}
          </p>
          <Between older={older} newer={newer} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Between({ older, newer }: { older: ExportJob; newer: ExportJob }) {
  const { data, error } = useQuery({
    queryKey: ['proof-rows', older.id, newer.id],
    queryFn: async () => {
      const [before, after] = await Promise.all([api.proofRows(older.id), api.proofRows(newer.id)]);
      return linksBetween(before, after);
    },
    staleTime: Infinity,
    meta: { silent: true },
  });
  if (error)
    return (
      <p role="alert" className="mt-4">
        {error.message}
      </p>
    );
  if (!data) return <p className="mt-4">Reading both files …</p>;
  if (data.length === 0) return <p className="mt-4">Both files have the same links.</p>;
  const count = (what: LinkBetween['what']) => data.filter((one) => one.what === what).length;
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center justify-between gap-3">
        <p className="font-semibold" role="status">
          {message('{gone} gone, {fresh} new, {changed} changed', {
            gone: count('gone'),
            fresh: count('new'),
            changed: count('changed'),
          })}
        </p>
        <SaveTable
          name={`${newer.fileName.replace(/\.\w+$/, '')}-changes`}
          table={() => savedTable(newer.fileName, data)}
        />
      </div>
      <div className="mt-3">
        <LinkTable
          caption="Links that are otherwise in the newer file"
          heads={['What', 'Words', 'Led to', 'Leads to']}
          items={data}
          row={({ what, older: was, newer: is }, index) => {
            const row = (is ?? was) as ProofRow;
            return (
              <tr key={index} className="border-b border-line align-top">
                <td className="py-1.5 pr-4">{WHAT[what]}</td>
                <td className="max-w-60 py-1.5 pr-4 break-words">
                  {is ? (
                    <ToLink id={row.id} chapter={row.chapter} words={row.text || '(no words)'} />
                  ) : (
                    row.text || '(no words)'
                  )}
                  {was && is && was.foundText !== is.foundText && (
                    <span className="block text-soft">was “{was.foundText}”</span>
                  )}
                </td>
                <td className="max-w-60 py-1.5 pr-4 break-all text-soft">{was?.foundHref}</td>
                <td className="max-w-60 py-1.5 break-all text-soft">{is?.foundHref}</td>
              </tr>
            );
          }}
        />
      </div>
    </>
  );
}

const savedTable = (fileName: string, all: readonly LinkBetween[]): SavedTable => ({
  title: `What became of the links of ${fileName}`,
  heads: ['What', 'Words then', 'Words now', 'Led to', 'Leads to'],
  rows: all.map(({ what, older, newer }) => [
    WHAT[what],
    older?.foundText ?? '',
    newer?.foundText ?? '',
    older?.foundHref ?? '',
    newer?.foundHref ?? '',
  ]),
});
