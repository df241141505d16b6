import type { DragEvent, FocusEvent, KeyboardEvent, ReactNode } from 'react';
import { holdsPress } from '../parts/press.js';
import type { Slip } from './use-slip.js';

interface SlipFormProps {
  label: string;
  /** What Enter, Esc and leaving do. */
  slip: Pick<Slip<never>, 'setBack' | 'leave'> & { accept(): void; isNew?: boolean };
  /** A group of things that can be chosen has no button that sends it. */
  group?: boolean;
  className?: string;
  /** Takes what is dropped on the slip. */
  takes?: { onDragOver(event: DragEvent): void; onDrop(event: DragEvent): void };
  children: ReactNode;
}

/**
 * The shell of every slip. Enter accepts, wherever the focus is in it; a line break in words is Shift+Enter. Esc sets back and
 * closes. Leaving keeps what is valid. A button that is pressed is the one that acts, whatever opens or closes around it.
 */
export function SlipForm({ label, slip, group = false, className = 'slip', takes, children }: SlipFormProps) {
  const pressed = (event: KeyboardEvent) => {
    if (event.defaultPrevented || event.nativeEvent.isComposing) return;
    if (event.key === 'Escape') slip.setBack();
    else if (event.key === 'Enter' && !event.shiftKey && takesEnter(event.target)) slip.accept();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const left = (event: FocusEvent) => {
    // A window that is left has not been left by its author's choice: going on is where they were.
    if (!document.hasFocus() || event.currentTarget.contains(event.relatedTarget)) return;
    // What is being made stays open while its author sees to something beside it, and is left for the text only.
    const { relatedTarget } = event;
    if (slip.isNew && !(relatedTarget instanceof Element && relatedTarget.closest(TEXT))) return;
    slip.leave();
  };
  const shell = {
    'aria-label': label,
    className,
    onKeyDown: pressed,
    onBlur: left,
    ...holdsPress,
    ...takes,
  };
  if (group)
    return (
      <div role="group" {...shell}>
        {children}
      </div>
    );
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        slip.accept();
      }}
      {...shell}
    >
      {children}
    </form>
  );
}

const TEXT = '[contenteditable="true"]';

/** Fields are accepted by Enter; a button that has the focus is pressed by it. */
const takesEnter = (target: EventTarget): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLSelectElement ||
  target instanceof HTMLTextAreaElement;

/** The button that accepts, with its key. */
export function AcceptButton({ words, disabled }: { words: string; disabled?: boolean }) {
  return (
    <button type="submit" className="button" data-look="main" data-size="small" disabled={disabled}>
      {words} <kbd className="font-ui font-normal opacity-80">Enter</kbd>
    </button>
  );
}
