import { message } from '@vennet/core/language';
import type { Reading } from '@vennet/core/wire';
import { useQueryClient } from '@tanstack/react-query';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { api } from '../../api/client.js';
import { tellFault } from '../../parts/notices.js';
import { SmallButton } from '../../parts/SmallButton.js';
import { Tick } from '../../parts/Tick.js';
import type { ReadLink, ReadPage, ReadSpot, Screen, Stage, StageProps } from './reading-state.js';

interface ReaderProps {
  job: string;
  pages: readonly ReadPage[];
  /** Links that were tried before, each as `path number`. */
  tried: readonly string[];
  screen: Screen;
  paged: boolean;
  children(props: StageProps): ReactNode;
}

/** Goes through a made file: the page at the right, its links at the left as assistive technology gives them. */
export function Reader({ job, pages, tried, screen, paged, children }: ReaderProps) {
  const [way, setWay] = useState<{ spots: ReadSpot[]; at: number }>({
    spots: [{ path: pages[0]?.path ?? '', spot: '' }],
    at: 0,
  });
  const [links, setLinks] = useState<readonly ReadLink[]>([]);
  const [done, setDone] = useState(() => new Set(tried));
  const [out, setOut] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const [isInList, setInList] = useState(false);
  const [leaf, setLeaf] = useState<{ at: number; of: number } | null>(null);
  const client = useQueryClient();
  const stage = useRef<Stage>(null);
  const here = way.spots[way.at] ?? { path: '', spot: '' };
  const next = useRef(-1);
  const index = pages.findIndex(({ path }) => path === here.path);

  const arrive = (to: ReadSpot) => {
    setOut(null);
    if (to.path === here.path) stage.current?.toSpot(to.spot);
    // Another page says itself which links it has.
    else setLinks([]);
  };
  const go = (to: ReadSpot) => {
    arrive(to);
    setWay(({ spots, at }) => ({ spots: [...spots.slice(0, at + 1), to], at: at + 1 }));
  };
  const step = (by: number) => {
    const to = way.spots[way.at + by];
    if (!to) return;
    arrive(to);
    setWay({ ...way, at: way.at + by });
  };
  const past = (by: number) => {
    const to = pages[index + by];
    if (to) go({ path: to.path, spot: '' });
  };
  const turn = (by: number) => (leaf ? stage.current?.turn(by) : past(by));
  const press = (at: number) => {
    const link = links[at];
    if (!link) return;
    next.current = at;
    if (screen === 'paper') return setSaid(ON_PAPER);
    const keys = new Set(done).add(`${here.path} ${at}`);
    setDone(keys);
    client.setQueryData<Reading>(['reading', job], (known) => known && { ...known, tried: [...keys] });
    api.keepTally(job, [...keys]).catch(tellFault);
    const { leads } = link;
    setOut(null);
    if (leads === null) return setSaid(`“${link.words}” leads nowhere that is in the file.`);
    if ('out' in leads) {
      setOut(leads.out);
      setSaid(`“${link.words}” leads out of the file.`);
    } else if ('beside' in leads)
      setSaid(`“${link.words}” opens ${leads.beside}, which lies next to the file.`);
    else if ('within' in leads) setSaid(`“${link.words}” opens ${leads.within}, which is within the file.`);
    else {
      setSaid(`“${link.words}” leads to the spot that is outlined.`);
      go(leads.inside);
    }
  };

  const toLink = (by: number) => {
    const count = links.length;
    if (count === 0) return;
    next.current = next.current < 0 && by < 0 ? count - 1 : (next.current + by + count) % count;
    stage.current?.toLink(next.current);
  };

  const asked = useRef({ step, turn, toLink });
  useEffect(() => void (asked.current = { step, turn, toLink }));
  useEffect(() => {
    const heard = (event: KeyboardEvent) => {
      const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
      const leaves = { PageUp: -1, PageDown: 1 }[event.key];
      if (event.altKey && by !== undefined) {
        // The browser's own way back would leave the room.
        event.preventDefault();
        asked.current.step(by);
      } else if (leaves !== undefined) {
        event.preventDefault();
        const { toLink, turn } = asked.current;
        (event.altKey ? toLink : turn)(leaves);
      }
    };
    window.addEventListener('keydown', heard);
    return () => window.removeEventListener('keydown', heard);
  }, []);

  return (
    <div className="flex min-h-0 grow max-lg:flex-col">
      <aside
        aria-label="Links of this page"
        className="flex w-80 shrink-0 flex-col border-r border-line max-lg:w-full"
      >
        <div className="flex flex-wrap items-center gap-1.5 px-4 py-3">
          <SmallButton words="Back" keys="Alt+ArrowLeft" off={way.at === 0} act={() => step(-1)}>
            <ChevronLeft size={16} aria-hidden="true" /> Back
          </SmallButton>
          <SmallButton
            words="Forward"
            keys="Alt+ArrowRight"
            off={way.at === way.spots.length - 1}
            act={() => step(1)}
          >
            Forward <ChevronRight size={16} aria-hidden="true" />
          </SmallButton>
          <SmallButton words="Next link" keys="Alt+PageDown" off={links.length === 0} act={() => toLink(1)}>
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
        <Tally path={here.path} links={links} done={done} pages={pages}>
          <Tick on={isInList} turn={() => setInList(!isInList)}>
            <span className="text-sm">Where each leads, too</span>
          </Tick>
        </Tally>
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
        <div className="flex min-h-11 flex-wrap items-center justify-between gap-3 border-b border-line px-5 py-1.5 text-sm">
          <p role="status" className="min-w-0">
            {said || (screen === 'paper' ? ON_PAPER : 'Press a link in the page, or in the list.')}
            {out !== null && (
              <>
                {' '}
                <a className="break-all underline" href={out} target="_blank" rel="noreferrer">
                  Open {out}
                </a>
              </>
            )}
          </p>
          {(leaf ?? pages.length > 1) && (
            <div className="flex items-center gap-1">
              <SmallButton look="quiet" words="Turn back" off={!leaf && index <= 0} act={() => turn(-1)}>
                <ChevronLeft size={16} aria-hidden="true" />
              </SmallButton>
              <span className="whitespace-nowrap text-soft tabular-nums" data-testid="leaf">
                {leaf ? `${leaf.at} of ${leaf.of}` : `${index + 1} of ${pages.length}`}
              </span>
              <SmallButton
                look="quiet"
                words="Turn on"
                off={!leaf && index >= pages.length - 1}
                act={() => turn(1)}
              >
                <ChevronRight size={16} aria-hidden="true" />
              </SmallButton>
            </div>
          )}
        </div>
        <div className="grid min-h-0 grow grid-rows-[minmax(0,1fr)] place-items-center overflow-hidden bg-[var(--ground)] p-5">
          {children({
            here,
            title: pages[index]?.title ?? '',
            screen,
            paged,
            stage,
            linked: (all) => {
              setLinks(all);
              next.current = -1;
            },
            pressed: press,
            step,
            next: toLink,
            turned: setLeaf,
            past,
            said: setSaid,
          })}
        </div>
      </div>
    </div>
  );
}

const ON_PAPER = 'On paper nothing can be pressed: what is printed has to say it.';

/** How many links were tried, of this page and of the whole file. */
function Tally({
  path,
  links,
  done,
  pages,
  children,
}: {
  path: string;
  links: readonly ReadLink[];
  done: ReadonlySet<string>;
  pages: readonly ReadPage[];
  children: ReactNode;
}) {
  const here = links.filter((_, at) => done.has(`${path} ${at}`)).length;
  const all = pages.reduce((sum, page) => sum + page.links, 0);
  return (
    <div className="border-t border-line px-4 py-2">
      <p className="font-semibold" data-testid="tally">
        {message('{done} of {count, plural, one {one link} other {# links}} tried on this page', {
          done: here,
          count: links.length,
        })}
      </p>
      {all > 0 && pages.length > 1 && (
        <p className="text-sm text-soft">
          {message('{done} of {all} in the whole file', { done: done.size, all })}
        </p>
      )}
      {children}
    </div>
  );
}
