import type { DragEvent } from 'react';
import { create } from 'zustand';
import { PLACE_TYPE } from '../editor/changes/drag-place.js';

/** What of the outline is being dragged: a chapter, or a section of the open one. */
export interface Dragged {
  kind: 'chapter' | 'section' | 'place';
  id: string;
}

/** What is dragged, and where it would come: before or after an entry of the outline. */
export const useDrag = create<{ dragged: Dragged | null; over: string | null; after: boolean }>(() => ({
  dragged: null,
  over: null,
  after: false,
}));

/** Begins to drag an entry: into the text it becomes a link, in the outline it moves. */
export function beginDrag(event: DragEvent, dragged: Dragged, words: string): void {
  event.dataTransfer.setData(PLACE_TYPE, dragged.id);
  event.dataTransfer.setData('text/plain', words);
  event.dataTransfer.effectAllowed = 'copyMove';
  useDrag.setState({ dragged, over: null, after: false });
}

export const endDrag = (): void => useDrag.setState({ dragged: null, over: null, after: false });

/** Follows the pointer over an entry on which something can be dropped. */
export function dragOver(event: DragEvent, id: string): void {
  event.preventDefault();
  const box = event.currentTarget.getBoundingClientRect();
  useDrag.setState({ over: id, after: event.clientY > box.top + box.height / 2 });
}
