import type { MouseEvent, PointerEvent } from 'react';

const PRESSED = 'button, summary, a[href]';
const pressedIn = (event: { target: EventTarget; currentTarget: EventTarget }): Element | null => {
  const button = event.target instanceof Element ? event.target.closest(PRESSED) : null;
  return button && event.currentTarget instanceof Node && event.currentTarget.contains(button)
    ? button
    : null;
};

/**
 * For a part of the page whose buttons must act when they are pressed, whatever opens or closes around them: the pointer
 * stays with the button that it came down on, and the field that is being filled in keeps the focus.
 */
export const holdsPress = {
  onPointerDown(event: PointerEvent) {
    if (event.button === 0) pressedIn(event)?.setPointerCapture(event.pointerId);
  },
  onMouseDown(event: MouseEvent) {
    if (pressedIn(event)) event.preventDefault();
  },
};
