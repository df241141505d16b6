import type { Link } from '@vennet/core/manuscript';
import type { Mention } from '@vennet/core/repair';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useEffect, useMemo, useState } from 'react';
import { DialogFoot } from '../parts/DialogFoot.js';
import { useEditor } from '../editor/state/store.js';
import { MentionList, type MentionLine as Line } from './MentionList.js';
import { backToText } from '../editor/going/back-to-text.js';
import { destinationWords } from '../book/destination-words.js';
import { useBook } from '../book/store.js';
import { openBook } from '../book/open-book.js';
import { counted } from '@vennet/core/language';

interface Options {
  whole: boolean;
  matchCase: boolean;
  headings: boolean;
  code: boolean;
  firstOnly: boolean;
}

/** Links every mention of a link's words, after the author has looked through them; or unlinks them. */
export function Mentions() {
  const subject = useEditor((store) => store.mentions);
  const chapter = useEditor((store) => store.chapter);
  const close = () => {
    useEditor.setState({ mentions: null });
  };
  if (!subject) return null;
  return (
    <Dialog.Root open onOpenChange={close}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content
          className="dialog !w-[min(46rem,calc(100vw-2rem))]"
          aria-describedby={undefined}
          onCloseAutoFocus={backToText}
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            (event.currentTarget as HTMLElement).focus();
          }}
        >
          <Panel words={subject.words} link={subject.link} chapter={chapter} close={close} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Panel({
  words,
  link,
  chapter,
  close,
}: {
  words: string;
  link: Link;
  chapter: string;
  close(): void;
}) {
  const [way, setWay] = useState<'link' | 'unlink'>('link');
  const [options, setOptions] = useState<Options>({
    whole: true,
    matchCase: false,
    headings: false,
    code: false,
    firstOnly: false,
  });
  const mentions = useMentions(words, chapter, options);
  const linked = useLinked(words, link, chapter, options);
  const lines: Line[] | null =
    way === 'link' ? (mentions?.map(lineOfMention) ?? null) : linked.map(lineOfLink);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const places = useBook((store) => store.places);
  const surroundings = useBook((store) => store.surroundings);
  const ticked = lines?.filter(({ key }) => !left.has(key)) ?? [];
  const set = (more: Partial<Options>) => {
    setLeft(new Set());
    setOptions({ ...options, ...more });
  };
  const tick = (key: string) => {
    const now = new Set(left);
    if (!now.delete(key)) now.add(key);
    setLeft(now);
  };
  const apply = async () => {
    const keys = new Set(ticked.map(({ key }) => key));
    const done =
      way === 'link'
        ? await openBook().bulk.linkMentions({
            destination: link.destination,
            hoverNote: link.hoverNote,
            look: link.look,
            mentions: (mentions ?? [])
              .filter((mention) => keys.has(lineOfMention(mention).key))
              .map(({ chapter: where, from, to, text }) => ({ chapter: where, from, to, text })),
          })
        : await openBook().bulk.repair({ target: { links: [...keys] }, repair: { type: 'unlink' } });
    if (done) close();
  };
  return (
    <>
      <div className="flex items-start justify-between gap-4">
        <div>
          <Dialog.Title className="text-xl font-semibold">Mentions of “{words}”</Dialog.Title>
          <p className="mt-0.5 text-soft">
            Leading to {destinationWords(link.destination, { places, surroundings })}
          </p>
        </div>
        <Dialog.Close className="button" data-look="quiet" data-size="small" aria-label="Close">
          <X size={16} aria-hidden="true" />
        </Dialog.Close>
      </div>
      <div role="group" aria-label="What to do" className="mt-3 flex gap-1.5">
        {(['link', 'unlink'] as const).map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={way === one}
            className="button aria-pressed:border-amber aria-pressed:bg-wash aria-pressed:font-semibold"
            data-size="small"
            onClick={() => {
              setLeft(new Set());
              setWay(one);
            }}
          >
            {one === 'link' ? 'Link them' : 'Unlink them'}
          </button>
        ))}
      </div>
      <fieldset className="mt-3 flex flex-wrap gap-x-5 gap-y-1.5 text-sm">
        <legend className="sr-only">Where to look</legend>
        <Choice words="The whole book" on={options.whole} set={(whole) => set({ whole })} />
        <Choice
          words="Letter case as in the link"
          on={options.matchCase}
          set={(matchCase) => set({ matchCase })}
        />
        {way === 'link' && (
          <>
            <Choice words="Headings too" on={options.headings} set={(headings) => set({ headings })} />
            <Choice words="Code too" on={options.code} set={(code) => set({ code })} />
            <Choice
              words="Only the first in each chapter"
              on={options.firstOnly}
              set={(firstOnly) => set({ firstOnly })}
            />
          </>
        )}
      </fieldset>
      <div className="mt-3 flex items-center justify-between gap-4 border-t border-line pt-2 text-sm">
        <p role="status">
          {lines === null
            ? 'Looking…'
            : lines.length === 0
              ? way === 'link'
                ? 'There is no mention without a link here.'
                : 'There is no link of these words here.'
              : `${ticked.length} of ${lines.length} ticked`}
        </p>
        {lines && lines.length > 0 && (
          <button
            type="button"
            className="button"
            data-look="quiet"
            data-size="small"
            onClick={() => setLeft(left.size > 0 ? new Set() : new Set(lines.map(({ key }) => key)))}
          >
            {left.size > 0 ? 'Tick all' : 'Untick all'}
          </button>
        )}
      </div>
      {lines && lines.length > 0 && <MentionList lines={lines} left={left} tick={tick} />}
      <DialogFoot off={ticked.length === 0} act={() => void apply()}>
        {way === 'link'
          ? `Link ${counted(ticked.length, 'mention', 'mentions')}`
          : `Unlink ${counted(ticked.length, 'link', 'links')}`}
      </DialogFoot>
    </>
  );
}

function Choice({ words, on, set }: { words: string; on: boolean; set(on: boolean): void }) {
  return (
    <label className="flex items-center gap-1.5">
      <input
        type="checkbox"
        className="accent-amber"
        checked={on}
        onChange={(event) => set(event.target.checked)}
      />
      {words}
    </label>
  );
}

function useMentions(words: string, chapter: string, options: Options): Mention[] | null {
  const { whole, matchCase, headings, code, firstOnly } = options;
  const [found, setFound] = useState<Mention[] | null>(null);
  useEffect(() => {
    let gone = false;
    const chapters = whole ? null : [chapter];
    const search = { words, matchCase, headings, code, firstOnly, chapters };
    void openBook()
      .audit.search(search)
      .then((mentions) => {
        if (!gone) setFound(mentions);
      });
    return () => {
      gone = true;
    };
  }, [words, chapter, whole, matchCase, headings, code, firstOnly]);
  return found;
}

/** Links of the same words that lead to the same destination. */
function useLinked(words: string, link: Link, chapter: string, { whole, matchCase }: Options): Link[] {
  const links = useBook((store) => store.links);
  return useMemo(() => {
    const fold = (text: string) => (matchCase ? text.trim() : text.trim().toLocaleLowerCase());
    return links.filter(
      (one) =>
        one.carrier === 'text' &&
        one.href === link.href &&
        fold(one.text) === fold(words) &&
        (whole || one.chapter === chapter),
    );
  }, [links, link, words, chapter, whole, matchCase]);
}

const lineOfMention = ({ chapter, from, before, text, after }: Mention): Line => ({
  key: `${chapter}:${from}`,
  chapter,
  before,
  text,
  after,
});
const lineOfLink = ({ id, chapter, before, text, after }: Link): Line => ({
  key: id,
  chapter,
  before,
  text,
  after,
});
