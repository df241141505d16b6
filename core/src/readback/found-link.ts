/** The text at the spot where a link lands: its words begin within the first `within` signs of `text`. */
export interface Landing {
  text: string;
  within: number;
  /** What is read before the spot, and after it where no words stand at it. */
  before: string;
  after: string;
}

/** A line of text that runs off its page, as far as it can be read there. */
export interface CutOffLine {
  text: string;
  where: string;
}

/** A link as it was found in a made file. */
export interface FoundLink {
  /** A web or mail address, the path of a file that travels along, or `#` and the id of a place inside the made file. */
  href: string;
  /** The words that carry it, as the file has them. */
  text: string;
  /** Its hover note: HTML `title`, or the `Contents` of a PDF annotation. */
  note?: string;
  /** Where it stands, for a person: the file in an e-book, the page in a PDF. */
  where: string;
  /** For a link inside the file: whether its target is there. */
  lands: boolean;
  /** For a link inside the file: where it lands. */
  landing?: Landing;
  /** In a PDF: where it can be pressed, in points from the lower left corner of its page. */
  areas?: readonly Area[];
  /** In a PDF: how far where it can be pressed is from its words, in points. */
  astray?: number;
  /** In a form of HTML: which of the links of its file it is, from 0. */
  nth?: number;
  /** It stands at the top of its page and leads where one of the page before leads: perhaps one link over two pages. */
  mayContinue?: boolean;
}

/** Left, bottom, right and top. */
type Area = readonly [number, number, number, number];
