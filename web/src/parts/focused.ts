/** A field that is there to be filled in at once, as a `ref`: the next key goes into it. */
export const focused = (field: HTMLInputElement | null): void => field?.focus();
