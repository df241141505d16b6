import { create } from 'zustand';

/** Whether the size of a new table is being asked. */
export const useTableAsked = create<{ asked: boolean }>(() => ({ asked: false }));
export const askForTable = (asked: boolean): void => useTableAsked.setState({ asked });
