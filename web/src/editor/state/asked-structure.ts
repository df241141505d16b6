import { create } from 'zustand';

/** How often the dialog of the book's structure was asked for from elsewhere. */
export const useAskedStructure = create<{ asked: number }>(() => ({ asked: 0 }));

export const askForStructure = (): void => useAskedStructure.setState(({ asked }) => ({ asked: asked + 1 }));
