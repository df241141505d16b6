import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, type LucideIcon } from 'lucide-react';
import { Toolbar } from 'radix-ui';
import { stepThroughLinks } from '../editor/going/links.js';
import { goBack, goForward, useVisited } from '../editor/going/visited.js';
import { Named } from '../parts/Named.js';

/** An action of a line over the text or the pages, as a picture with a name. */
export function Act({
  words,
  icon: Icon,
  act,
  off = false,
  on,
}: {
  words: string;
  icon: LucideIcon;
  act(): void;
  off?: boolean;
  /** Of what is so or is not where the caret stands. */
  on?: boolean;
}) {
  return (
    <Named words={words}>
      <Toolbar.Button
        className="button"
        data-look="quiet"
        data-size="small"
        disabled={off}
        aria-pressed={on}
        onMouseDown={(event) => event.preventDefault()}
        onClick={act}
      >
        <Icon size={16} aria-hidden="true" />
        <span className="sr-only">{words}</span>
      </Toolbar.Button>
    </Named>
  );
}

/** What sets actions apart in their line. */
export const Gap = () => <Toolbar.Separator className="mx-1 h-5 w-px bg-line" />;

/** The ways to where the author was, and from link to link. */
export function WaysThrough() {
  const past = useVisited((store) => store.past.length);
  const future = useVisited((store) => store.future.length);
  return (
    <>
      <Act words="Back to where you came from" icon={ArrowLeft} off={past === 0} act={() => goBack()} />
      <Act words="Forward again" icon={ArrowRight} off={future === 0} act={() => goForward()} />
      <Act words="Link before" icon={ArrowUp} act={() => stepThroughLinks(-1)} />
      <Act words="Next link" icon={ArrowDown} act={() => stepThroughLinks(1)} />
    </>
  );
}
