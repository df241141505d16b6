import { message } from '@vennet/core/language';
import type { FileLabel } from '@vennet/core/repair';
import type { ShelfFile } from '@vennet/core/shelf';
import { Tags, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { goToSpot } from '../editor/going/visited.js';
import { DialogFoot } from '../parts/DialogFoot.js';
import { FirstPage } from '../parts/FirstPage.js';
import { useOnce } from '../parts/use-once.js';
import { useTurned } from '../parts/use-turned.js';

/** Labels such as “C1” or “Appendix 3” in the text, matched with the files that are called so and linked in one go. */
export function FileLabels({ files, unused }: { files: readonly ShelfFile[]; unused: readonly ShelfFile[] }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="button">
        <Tags size={17} aria-hidden="true" /> Link labels to files
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog flex max-h-[86vh] !w-[min(46rem,calc(100vw-2rem))] flex-col">
          <div className="flex items-start justify-between gap-4">
            <Dialog.Title className="text-xl font-semibold">Labels of files in the text</Dialog.Title>
            <Dialog.Close className="button" data-look="quiet" data-size="small" aria-label="Close">
              <X size={16} aria-hidden="true" />
            </Dialog.Close>
          </div>
          <Dialog.Description className="mt-0.5 text-soft">
            A file whose name begins with a label, such as “C1 map.pdf” or “Appendix 3.pdf”, is what the words
            “C1” or “Appendix 3” can lead to. Headings, code and links stay as they are.
          </Dialog.Description>
          <Labels files={files} unused={unused} close={() => setOpen(false)} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Labels({
  files,
  unused,
  close,
}: {
  files: readonly ShelfFile[];
  unused: readonly ShelfFile[];
  close(): void;
}) {
  const [labels, setLabels] = useState<FileLabel[] | null>(null);
  /** Where the author has chosen otherwise: what is ticked, and which file of several. */
  const [turned, turn] = useTurned();
  const [chosen, setChosen] = useState<ReadonlyMap<string, string>>(new Map());
  useEffect(() => {
    let isWanted = true;
    void openBook()
      .audit.labels(files.map(({ id, name }) => ({ id, name })))
      .then((found) => isWanted && setLabels(found));
    return () => void (isWanted = false);
  }, [files]);
  const fileOf = ({ key, files: [first = ''] }: FileLabel) => chosen.get(key) ?? first;
  // Where several files are called so, the author looks first.
  const isTaken = (label: FileLabel, mention: string) =>
    (label.files.length === 1 || chosen.has(label.key)) !== turned.has(mention);
  const withFile = labels?.filter(({ files: of }) => of.length > 0) ?? [];
  const without = labels?.filter(({ files: of }) => of.length === 0) ?? [];
  const taken = withFile.flatMap((label) =>
    label.mentions
      .filter((mention) => isTaken(label, keyOf(mention)))
      .map(({ chapter, from, to, text }) => ({ chapter, from, to, text, enclosure: fileOf(label) })),
  );
  const making = useOnce(async () => {
    if (await openBook().bulk.linkLabels({ labels: taken })) close();
  });
  const led = new Set(taken.map(({ enclosure }) => enclosure));
  return (
    <>
      <div className="mt-3 min-h-0 grow overflow-y-auto border-y border-line">
        <p role="status" className={withFile.length > 0 ? 'sr-only' : 'py-3'}>
          {labels === null
            ? 'Looking…'
            : withFile.length === 0
              ? 'No label in the text has a file of its name on the Shelf. Take the files in, and begin their names with the label.'
              : `${taken.length} labels are ticked`}
        </p>
        {withFile.length > 0 && (
          <ul aria-label="Labels with a file" className="divide-y divide-line">
            {withFile.map((label) => (
              <LabelEntry
                key={label.key}
                label={label}
                files={files}
                file={fileOf(label)}
                isTaken={(mention) => isTaken(label, mention)}
                turn={turn}
                choose={(file) => setChosen(new Map(chosen).set(label.key, file))}
              />
            ))}
          </ul>
        )}
        {without.length > 0 && (
          <section aria-label="Labels without a file" className="border-t border-line py-3">
            <h3 className="font-semibold">Labels without a file</h3>
            <ul className="mt-1 flex flex-wrap gap-x-4 gap-y-1 text-sm">
              {without.map(({ key, words, mentions }) => (
                <li key={key}>
                  <button
                    type="button"
                    className="cursor-pointer underline underline-offset-2"
                    onClick={() => goToSpot(mentions[0]?.chapter ?? '', mentions[0]?.from ?? 0)}
                  >
                    {words}
                  </button>{' '}
                  <span className="text-soft">{times(mentions.length)}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
        {unused.length > 0 && (
          <section aria-label="Files that nothing leads to" className="border-t border-line py-3">
            <h3 className="font-semibold">Files that nothing leads to yet</h3>
            <ul className="mt-1 flex flex-wrap gap-x-4 gap-y-1 text-sm">
              {unused.map(({ id, name }) => (
                <li key={id}>
                  {name} {led.has(id) && <span className="text-soft">(ticked above)</span>}
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <DialogFoot off={taken.length === 0 || making.isUnderWay} act={() => making.run()}>
        {message('{count, plural, =0 {Link the labels} one {Link one label} other {Link # labels}}', {
          count: taken.length,
        })}
      </DialogFoot>
    </>
  );
}

const times = (count: number): string => message('{count, plural, one {once} other {# times}}', { count });

const keyOf = ({ chapter, from }: FileLabel['mentions'][number]): string => `${chapter} ${from}`;

/** One label: the file that it leads to, with its first page, and each of its spots. */
function LabelEntry({
  label,
  files,
  file,
  isTaken,
  turn,
  choose,
}: {
  label: FileLabel;
  files: readonly ShelfFile[];
  file: string;
  isTaken(mention: string): boolean;
  turn(...keys: string[]): void;
  choose(file: string): void;
}) {
  const chapters = useBook((store) => store.book?.chapters);
  const titles = new Map(chapters?.map(({ id, title }) => [id, title]));
  const { words, mentions } = label;
  const keys = mentions.map(keyOf);
  const taken = keys.filter(isTaken);
  const shown = files.find(({ id }) => id === file);
  const isPart = taken.length > 0 && taken.length < keys.length;
  return (
    <li className="flex gap-4 py-3">
      <div className="min-w-0 grow">
        <label className="flex items-baseline gap-2">
          <input
            type="checkbox"
            className="accent-amber"
            checked={taken.length === keys.length}
            ref={(box) => void (box && (box.indeterminate = isPart))}
            onChange={() =>
              turn(...(taken.length === keys.length ? keys : keys.filter((key) => !isTaken(key))))
            }
          />
          <span className="font-semibold">{words}</span>
          <span className="text-sm text-soft">{times(keys.length)} in the text</span>
        </label>
        <div className="mt-1 ml-5 text-sm">
          {label.files.length > 1 ? (
            <label className="block">
              <span className="label">Several files are called so. It leads to</span>
              <select className="field" value={file} onChange={(event) => choose(event.target.value)}>
                {label.files.map((id) => (
                  <option key={id} value={id}>
                    {files.find((one) => one.id === id)?.name}
                  </option>
                ))}
              </select>
            </label>
          ) : (
            <p>leads to {shown?.name}</p>
          )}
          <details className="mt-1">
            <summary className="cursor-pointer text-soft">Where it stands</summary>
            <ul className="mt-1 space-y-1">
              {mentions.map((mention) => (
                <li key={keyOf(mention)}>
                  <label className="flex items-start gap-2">
                    <input
                      type="checkbox"
                      className="mt-1 shrink-0 accent-amber"
                      checked={isTaken(keyOf(mention))}
                      onChange={() => turn(keyOf(mention))}
                    />
                    <span className="font-text">
                      {mention.before}
                      <mark className="rounded-sm bg-wash px-0.5 text-ink">{mention.text}</mark>
                      {mention.after}
                      <span className="block font-ui text-xs text-soft">{titles.get(mention.chapter)}</span>
                    </span>
                  </label>
                </li>
              ))}
            </ul>
          </details>
        </div>
      </div>
      {shown && <FirstPage file={shown} />}
    </li>
  );
}
