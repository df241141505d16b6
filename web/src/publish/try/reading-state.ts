/** Where a reader is: a page of the file by its path, and a spot of it. */
export interface ReadSpot {
  path: string;
  spot: string;
}

/** Where a link leads: out of the file, to a spot in it, to a file next to it or within it, or nowhere. */
export type Leads = { out: string } | { inside: ReadSpot } | { beside: string } | { within: string } | null;

/** A link of a page of a made file, as assistive technology gives it: its words, and where it leads as the file has it. */
export interface ReadLink {
  href: string;
  words: string;
  note: string;
  leads: Leads;
}

/** @param path of the page on which it stands; @param paths those of the file */
export function leadsFrom(href: string, path: string, paths: readonly string[]): Leads {
  if (/^[a-z][a-z0-9+.-]*:/i.test(href)) return { out: href };
  const url = new URL(href, `http://inside.invalid/${path}`);
  const target = decodeURIComponent(url.pathname.slice(1));
  const spot = decodeURIComponent(url.hash.slice(1));
  return paths.includes(target) ? { inside: { path: target, spot } } : { beside: target };
}

/** Screens on which a file is read, in CSS px. */
export const SCREENS = {
  phone: { words: 'Phone', width: 360, height: 640 },
  tablet: { words: 'Tablet', width: 600, height: 800 },
  ink: { words: 'E-ink device', width: 480, height: 640 },
  wide: { words: 'Wide window', width: 900, height: 700 },
  paper: { words: 'Paper', width: 560, height: 792 },
} as const;
export type Screen = keyof typeof SCREENS;

/** A page of a made file. */
export interface ReadPage {
  path: string;
  title: string;
  links: number;
}

/** What is told to the page that is shown. */
export interface Stage {
  /** Brings a spot into sight and outlines it. */
  toSpot(spot: string): void;
  /** Brings a link into sight, outlines it and gives it the focus. */
  toLink(at: number): void;
  /** Turns one screenful on or back, where the page is shown in such. */
  turn(by: number): void;
}

/** What the page that is shown is given, and what it tells. */
export interface StageProps {
  here: ReadSpot;
  title: string;
  screen: Screen;
  paged: boolean;
  stage: React.RefObject<Stage | null>;
  linked(links: ReadLink[]): void;
  pressed(at: number): void;
  /** Back or forward, asked for by its key. */
  step(by: number): void;
  /** The next link or the one before, asked for by its key. */
  next(by: number): void;
  /** Which screenful is shown, of how many. */
  turned(leaf: { at: number; of: number } | null): void;
  /** There is no further screenful on this page. */
  past(by: number): void;
  said(words: string): void;
}
