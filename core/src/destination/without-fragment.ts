/** An address without its fragment and the sign before it. */
export const withoutFragment = (href: string): string => href.replace(/#.*/s, '');
