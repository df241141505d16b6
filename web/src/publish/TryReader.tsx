import { readingPage } from '@vennet/client';
import { message } from '@vennet/core/language';
import type { Reading } from '@vennet/core/wire';
import { useQuery } from '@tanstack/react-query';
import { ChevronLeft, ChevronRight, Play, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api } from '../api/client.js';
import { SmallButton } from '../parts/SmallButton.js';
import { Tick } from '../parts/Tick.js';
import { leadsFrom, tried, type ReadLink, type ReadSpot } from './reading-state.js';

/** Screens on which a file is read, in CSS px. */
const SCREENS = {
  phone: { words: 'Phone', width: 360, height: 640 },
  tablet: { words: 'Tablet', width: 600, height: 800 },
  ink: { words: 'E-ink device', width: 480, height: 640 },
  wide: { words: 'Wide window', width: 900, height: 700 },
} as const;
type Screen = keyof typeof SCREENS;

/** The made file itself, as its reader will have it: its links are pressed, and a tally is kept of those that were tried. */
export function TryReader({ job, name }: { job: string; name: string }) {
  return (
    <Dialog.Root>
      <Dialog.Trigger className="button">
        <Play size={16} aria-hidden="true" /> Try it as a reader
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content
          className="dialog flex !h-[calc(100vh-2rem)] !max-h-none !w-[calc(100vw-2rem)] !max-w-none flex-col !p-0"
          aria-describedby={undefined}
        >
          <Tried job={job} name={name} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Tried({ job, name }: { job: string; name: string }) {
  const [screen, setScreen] = useState<Screen>('tablet');
  const { data } = useQuery({
    queryKey: ['reading', job],
    queryFn: () => api.reading(job),
    staleTime: Infinity,
  });
  return (
    <>
      <header className="flex flex-wrap items-center justify-between gap-3 border-b border-line px-5 py-3">
        <Dialog.Title className="font-text text-xl">{name}, as a reader has it</Dialog.Title>
        <div className="flex items-center gap-3">
          <label className="flex items-center gap-2 text-sm">
            Screen
            <select
              className="field !w-auto"
              value={screen}
              onChange={({ target }) => setScreen(target.value as Screen)}
            >
              {Object.entries(SCREENS).map(([id, { words }]) => (
                <option key={id} value={id}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <Dialog.Close className="button" data-look="quiet" data-size="small" aria-label="Close">
            <X size={16} aria-hidden="true" />
          </Dialog.Close>
        </div>
      </header>
      {data ? <Pages job={job} reading={data} screen={screen} /> : <p className="p-5">Opening the file …</p>}
    </>
  );
}

interface Heard {
  vennet?: string;
  links?: ReadLink[];
  pressed?: number;
  landed?: boolean;
}

function Pages({ job, reading: { pages }, screen }: { job: string; reading: Reading; screen: Screen }) {
  const [way, setWay] = useState<{ spots: ReadSpot[]; at: number }>({
    spots: [{ path: pages[0]?.path ?? '', spot: '' }],
    at: 0,
  });
  const [links, setLinks] = useState<readonly ReadLink[]>([]);
  const [done, setDone] = useState(() => tried.of(job));
  const [out, setOut] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const [isInList, setInList] = useState(false);
  const frame = useRef<HTMLIFrameElement>(null);
  const here = way.spots[way.at] ?? { path: '', spot: '' };
  const next = useRef(-1);
  const paths = pages.map(({ path }) => path);
  const index = paths.indexOf(here.path);

  const tell = useCallback((what: object) => {
    // The frame has no origin of its own that could be named.
    frame.current?.contentWindow?.postMessage({ vennet: 'host', ...what }, '*');
  }, []);
  const arrive = (to: ReadSpot) => {
    if (to.path === here.path) tell({ spot: to.spot });
    // Another page says itself which links it has.
    else setLinks([]);
  };
  const go = (to: ReadSpot) => {
    setOut(null);
    arrive(to);
    setWay(({ spots, at }) => ({ spots: [...spots.slice(0, at + 1), to], at: at + 1 }));
  };
  const step = (by: number) => {
    const to = way.spots[way.at + by];
    if (!to) return;
    setOut(null);
    arrive(to);
    setWay({ ...way, at: way.at + by });
  };
  const press = (at: number) => {
    const link = links[at];
    if (!link) return;
    next.current = at;
    const keys = new Set(done).add(`${here.path} ${at}`);
    setDone(keys);
    tried.keep(job, keys);
    const leads = leadsFrom(link.href, here.path, paths);
    if ('out' in leads) {
      setOut(leads.out);
      setSaid(`“${link.words}” leads out of the file.`);
    } else if ('beside' in leads) {
      setOut(null);
      setSaid(`“${link.words}” opens ${leads.beside}, which lies next to the file.`);
    } else {
      setSaid(`“${link.words}” leads to the spot that is outlined.`);
      go(leads.inside);
    }
  };
  const pressed = useRef(press);
  useEffect(() => void (pressed.current = press));

  useEffect(() => {
    const hear = ({ source, data }: MessageEvent<Heard>) => {
      if (source !== frame.current?.contentWindow || data.vennet !== 'reader') return;
      if (data.links) {
        setLinks(data.links);
        next.current = -1;
        if (here.spot !== '') tell({ spot: here.spot });
      }
      if (typeof data.pressed === 'number') pressed.current(data.pressed);
      if (data.landed === false) setSaid('The spot is not on this page.');
    };
    window.addEventListener('message', hear);
    return () => window.removeEventListener('message', hear);
  }, [here.spot, tell]);

  const stepped = useRef(step);
  useEffect(() => void (stepped.current = step));
  useEffect(() => {
    const heard = (event: KeyboardEvent) => {
      const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
      if (!event.altKey || by === undefined) return;
      // The browser's own way back would leave the room.
      event.preventDefault();
      stepped.current(by);
    };
    window.addEventListener('keydown', heard);
    return () => window.removeEventListener('keydown', heard);
  }, []);

  const { width, height } = SCREENS[screen];
  const triedHere = links.filter((_, at) => done.has(`${here.path} ${at}`)).length;
  const forward = () => {
    next.current = links.length === 0 ? -1 : (next.current + 1) % links.length;
    // A frame of another origin gets no focus by itself.
    frame.current?.focus();
    tell({ link: next.current });
  };
  return (
    <div className="flex min-h-0 grow max-lg:flex-col">
      <aside
        aria-label="Links of this page"
        className="flex w-80 shrink-0 flex-col border-r border-line max-lg:w-full"
      >
        <div className="flex flex-wrap items-center gap-1.5 px-4 py-3">
          <SmallButton words="Back" off={way.at === 0} act={() => step(-1)}>
            <ChevronLeft size={16} aria-hidden="true" /> Back
          </SmallButton>
          <SmallButton words="Forward" off={way.at === way.spots.length - 1} act={() => step(1)}>
            Forward <ChevronRight size={16} aria-hidden="true" />
          </SmallButton>
          <SmallButton words="Next link" off={links.length === 0} act={forward}>
            Next link
          </SmallButton>
        </div>
        {pages.length > 1 && (
          <label className="block px-4 pb-3 text-sm">
            <span className="label">Page of the file</span>
            <select
              className="field"
              value={here.path}
              onChange={({ target }) => go({ path: target.value, spot: '' })}
            >
              {pages.map(({ path, title }, at) => (
                <option key={path} value={path}>
                  {title || `Page ${at + 1}`}
                </option>
              ))}
            </select>
          </label>
        )}
        <div className="border-t border-line px-4 py-2">
          <p className="font-semibold" data-testid="tally">
            {message('{done} of {count, plural, one {one link} other {# links}} tried on this page', {
              done: triedHere,
              count: links.length,
            })}
          </p>
          <Tick on={isInList} turn={() => setInList(!isInList)}>
            <span className="text-sm">Where each leads, too</span>
          </Tick>
        </div>
        <ol className="min-h-0 grow overflow-y-auto px-2 pb-3">
          {links.map((link, at) => (
            <li key={at}>
              <button
                type="button"
                className="flex w-full cursor-pointer items-start gap-2 rounded-sm px-2 py-1 text-left text-sm hover:bg-wash"
                onClick={() => press(at)}
              >
                <span aria-hidden="true" className="w-3 shrink-0 text-sound">
                  {done.has(`${here.path} ${at}`) ? '✓' : ''}
                </span>
                <span className="min-w-0 break-words">
                  {link.words || '(no words)'}
                  {done.has(`${here.path} ${at}`) && <span className="sr-only">, tried</span>}
                  {isInList && <span className="block break-all text-soft">{link.href}</span>}
                </span>
              </button>
            </li>
          ))}
        </ol>
      </aside>
      <div className="flex min-h-0 min-w-0 grow flex-col">
        <div role="status" className="min-h-10 border-b border-line px-5 py-2 text-sm">
          {said || 'Press a link in the page, or in the list.'}
          {out !== null && (
            <>
              {' '}
              <a className="underline" href={out} target="_blank" rel="noreferrer">
                Open {out}
              </a>
            </>
          )}
        </div>
        <div className="grid min-h-0 grow grid-rows-[minmax(0,1fr)] place-items-center overflow-hidden bg-[var(--ground)] p-5">
          <iframe
            ref={frame}
            key={here.path}
            title={`The page ${pages[index]?.title ?? ''}`}
            src={readingPage(job, here.path)}
            // Its own origin, and no more than the one script of Vennet's.
            sandbox="allow-scripts"
            className={`rounded-lg border-4 border-strong-line bg-white ${screen === 'ink' ? 'contrast-125 grayscale' : ''}`}
            style={{ width, height, maxWidth: '100%', maxHeight: '100%' }}
          />
        </div>
      </div>
    </div>
  );
}
