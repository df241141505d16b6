import { readingPage } from '@vennet/client';
import { useEffect, useImperativeHandle, useRef } from 'react';
import { leadsFrom, SCREENS, type ReadLink, type Screen, type StageProps } from './reading-state.js';

/** What the script in the frame tells. */
interface Heard {
  vennet?: string;
  links?: Omit<ReadLink, 'leads'>[];
  pressed?: number;
  landed?: boolean;
  step?: number;
  next?: number;
  turning?: number;
  past?: number;
  leaf?: number;
  leaves?: number;
}

/** How a page is shown: on paper as it is printed, and in sheets. */
const shownOn = (screen: Screen, paged: boolean) => ({
  paper: screen === 'paper',
  paged: paged || screen === 'paper',
  quiet: screen === 'ink',
});

/** A page of an e-book or a web page in a frame of an origin of its own, in which one script of Vennet's tells what is pressed. */
export function FrameStage({ job, paths, ...props }: StageProps & { job: string; paths: readonly string[] }) {
  const { here, title, screen, paged, stage } = props;
  const frame = useRef<HTMLIFrameElement>(null);
  const last = useRef(false);
  const now = useRef(props);
  useEffect(() => void (now.current = props));

  // The frame has no origin of its own that could be named.
  const tell = (what: object) => frame.current?.contentWindow?.postMessage({ vennet: 'host', ...what }, '*');
  useImperativeHandle(
    stage,
    () => ({
      toSpot: (spot) => tell({ spot }),
      toLink(link) {
        // A frame of another origin gets no focus by itself.
        frame.current?.focus();
        tell({ link });
      },
      turn: (turn) => tell({ turn }),
    }),
    [],
  );

  useEffect(() => {
    const hear = ({ source, data }: MessageEvent<Heard>) => {
      if (source !== frame.current?.contentWindow || data.vennet !== 'reader') return;
      const {
        here: at,
        screen: on,
        paged: inLeaves,
        linked,
        pressed,
        step,
        next,
        turned,
        past,
        said,
      } = now.current;
      if (data.links) {
        linked(data.links.map((link) => ({ ...link, leads: leadsFrom(link.href, at.path, paths) })));
        // No pointer stands over a device of this kind.
        tell(shownOn(on, inLeaves));
        if (at.spot !== '') tell({ spot: at.spot });
        else if (last.current) tell({ last: true });
        last.current = false;
      }
      if (typeof data.pressed === 'number') pressed(data.pressed);
      if (data.landed === false) said('The spot is not on this page.');
      if (data.step) step(data.step);
      if (data.next) next(data.next);
      if (data.turning) tell({ turn: data.turning });
      if (data.past) {
        last.current = data.past < 0;
        past(data.past);
      }
      if (data.leaf && data.leaves) turned({ at: data.leaf, of: data.leaves });
    };
    window.addEventListener('message', hear);
    return () => window.removeEventListener('message', hear);
  }, [paths]);
  useEffect(() => {
    tell(shownOn(screen, paged));
    if (!paged && screen !== 'paper') now.current.turned(null);
  }, [paged, screen]);

  const { width, height } = SCREENS[screen];
  return (
    <iframe
      ref={frame}
      key={`${here.path} ${screen === 'ink' ? 'ink' : ''}`}
      title={`The page ${title}`}
      src={readingPage(job, here.path)}
      // Its own origin, and no more than the one script of Vennet's.
      sandbox="allow-scripts"
      className={`bg-white ${screen === 'paper' ? 'shadow-lg' : 'rounded-lg border-4 border-strong-line'} ${screen === 'ink' ? 'ink-screen' : ''}`}
      style={{ width, height, maxWidth: '100%', maxHeight: '100%' }}
    />
  );
}
