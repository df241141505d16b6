import { Parser } from 'htmlparser2';
import { type FragmentState, type PageFacts, type PageMark } from './facts.js';
import { Fingerprint, wordsIn } from './fingerprint.js';
import { foldText, holdsText, idsFor, isTop, readFragment, type FragmentAsked } from './fragment.js';
import { readRefresh, type Refresh } from './refresh.js';
import { runs, scriptSendsTo } from './scripts.js';

/** How much is kept of a title, a heading and the main text, in UTF-16 units. */
const LONGEST_TITLE = 300;
const LONGEST_TEXT = 1_000;
const GATHERED = 1_500;
/** How much of a page's text is searched for text fragments, and of its scripts for one that sends on. */
const SEARCHED_TEXT = 4_000_000;
const SEARCHED_SCRIPT = 64_000;
/** Words that the fingerprint looks at come in pieces of this length at least. */
const PIECE = 4_096;

/** Elements whose content no reader sees as text; with scripts on, `noscript` is one. */
const UNSEEN = new Set([
  'script',
  'style',
  'template',
  'noscript',
  'title',
  'textarea',
  'select',
  'iframe',
  'object',
]);
/** Elements that stand around the main text. */
const AROUND = new Set(['nav', 'aside', 'footer', 'dialog', 'a', 'button']);
const AROUND_ROLES = /^(?:navigation|banner|contentinfo|search|complementary|dialog)$/;
const MEDIA = new Set([
  'form',
  'img',
  'svg',
  'video',
  'audio',
  'canvas',
  'object',
  'embed',
  'iframe',
  'frame',
  'picture',
  'math',
]);
/** Blocks end a word. */
const INLINE = new Set(
  'a abbr b bdi bdo cite code em i kbd mark q s small span strong sub sup u var wbr font'.split(' '),
);
/** Common practice (no source): ids and elements that applications in a page draw themselves into. */
const APPLICATION_IDS = /^(?:root|app|__next|__nuxt|___gatsby|svelte|main-app|q-app)$/;
const HANDS_OVER = /^(?:SAMLRequest|SAMLResponse|RelayState|wresult|wtrealm)$/i;
const HEADING = /^h[1-6]$/;
const RIDDLE = /captcha|turnstile|challenge-(?:form|platform|running)/i;
/** So many words on a page are many; no more are counted of what stands around its text. */
const ENOUGH_WORDS = 2_000;
/** Nothing is nested this deep by hand; deeper elements are taken for their parent. */
const DEEPEST = 4_096;

interface Open {
  name: string;
  unseen: boolean;
  around: boolean;
  inTemplate: boolean;
}

const TOP: Open = { name: '', unseen: false, around: false, inTemplate: false };

/**
 * Reads a page of HTML as it comes, and keeps of it what verdicts need: see `PageFacts`. `fragments` are looked for on the way;
 * a page that breaks off tells of what had come.
 */
export class PageReader {
  readonly #parser: Parser;
  readonly #open: Open[] = [];
  #depth = 0;
  readonly #marks = new Set<PageMark>();
  readonly #print = new Fingerprint();
  readonly #wanted: [string, FragmentAsked][];
  /** The ids that are looked for, and those of them that were found. */
  readonly #ids = new Set<string>();
  readonly #found = new Set<string>();
  readonly #keepsText: boolean;
  #title: string | null = null;
  #inTitle = false;
  #site = '';
  #headings: [string, string] = ['', ''];
  #heading = -1;
  #text = '';
  #piece = '';
  #seen = '';
  #allWords = 0;
  #whole = '';
  #script: string | null = null;
  #scripted = 0;
  #data: string | null = null;
  #language = '';
  #refresh: Refresh | null = null;
  #sendsOn = '';
  /** Of each heading, whether it is without an id. */
  readonly #bareHeadings: boolean[] = [];

  constructor(fragments: readonly string[] = [], { xml = false }: { xml?: boolean } = {}) {
    this.#wanted = fragments.map((fragment) => [fragment, readFragment(fragment)]);
    for (const [, { id }] of this.#wanted) for (const one of idsFor(id)) this.#ids.add(one);
    this.#keepsText = this.#wanted.some(([, { texts }]) => texts.length > 0);
    this.#parser = new Parser(
      {
        onopentag: (name, attributes) => this.#opened(name, attributes),
        onclosetag: (name) => this.#closed(name),
        ontext: (text) => this.#read(text),
      },
      { xmlMode: xml, recognizeSelfClosing: true },
    );
  }

  write(html: string): void {
    this.#parser.write(html);
  }

  /** True when nothing of what is looked for can still come: every fragment was found. */
  get hasAll(): boolean {
    return this.#wanted.every(([, { id, texts }]) => texts.length === 0 && this.#holds(id));
  }

  /** Ends the page. `whole` says whether it was read to its end. */
  end(
    whole: boolean,
  ): Pick<
    PageFacts,
    | 'title'
    | 'site'
    | 'heading'
    | 'text'
    | 'words'
    | 'allWords'
    | 'print'
    | 'marks'
    | 'refresh'
    | 'sendsOn'
    | 'language'
    | 'whole'
  > & { fragments: Map<string, FragmentState> } {
    this.#parser.end();
    this.#takePiece(true);
    this.#takeSeen(true);
    if (this.#bareHeadings.length > 1 && this.#bareHeadings.every(Boolean)) this.#marks.add('bare-headings');
    const folded = this.#keepsText ? foldText(this.#whole) : '';
    const fragments = new Map(
      this.#wanted.map(([fragment, asked]): [string, FragmentState] => [
        fragment,
        this.#state(asked, folded, whole),
      ]),
    );
    return {
      whole,
      title: tidy(this.#title ?? '').slice(0, LONGEST_TITLE),
      site: this.#site,
      heading: tidy(this.#headings[0] || this.#headings[1]).slice(0, LONGEST_TITLE),
      text: tidy(this.#text).slice(0, LONGEST_TEXT),
      words: this.#print.words,
      allWords: this.#allWords,
      print: this.#print.toString(),
      marks: [...this.#marks],
      refresh: this.#refresh,
      sendsOn: this.#sendsOn,
      language: this.#language,
      fragments,
    };
  }

  #holds(id: string): boolean {
    return isTop(id) || idsFor(id).some((one) => this.#found.has(one));
  }

  #state({ id, texts }: FragmentAsked, folded: string, whole: boolean): FragmentState {
    if (!this.#holds(id)) return whole ? 'missing' : 'unread';
    // One of several texts is enough for a browser to go there.
    if (texts.length === 0 || texts.some((text) => holdsText(folded, text))) return 'there';
    return whole && this.#whole.length < SEARCHED_TEXT ? 'text-missing' : 'unread';
  }

  #opened(name: string, attributes: Readonly<Record<string, string>>): void {
    const parent = this.#open.at(-1) ?? TOP;
    const { id, role = '' } = attributes;
    const around =
      parent.around ||
      AROUND.has(name) ||
      AROUND_ROLES.test(role) ||
      (name === 'header' && !this.#open.some((one) => one.name === 'article' || one.name === 'main'));
    const hidden = 'hidden' in attributes || /display\s*:\s*none/i.test(attributes.style ?? '');
    const one: Open = {
      name,
      unseen: parent.unseen || UNSEEN.has(name) || hidden,
      around,
      inTemplate: parent.inTemplate || name === 'template' || name === 'noscript' || name === 'iframe',
    };
    if (!INLINE.has(name)) this.#space();
    this.#depth++;
    if (this.#open.length < DEEPEST) this.#open.push(one);
    if (!parent.inTemplate) this.#mark(name, attributes, one);
    // The first title of the page is its name; those of drawings are not.
    if (name === 'title' && this.#title === null && !this.#open.some((at) => at.name === 'svg')) {
      this.#title = '';
      this.#inTitle = true;
    }
    if (one.unseen) return;
    if (name === 'h1' && this.#headings[0] === '') this.#heading = 0;
    else if (name === 'h2' && this.#headings[1] === '') this.#heading = 1;
    else if (name === 'img' && this.#heading >= 0)
      this.#headings[this.#heading] += ` ${attributes.alt ?? ''} `;
    if (id !== undefined && RIDDLE.test(id)) this.#marks.add('riddle');
  }

  #mark(name: string, attributes: Readonly<Record<string, string>>, { around }: Open): void {
    const { id, name: named } = attributes;
    if (name === 'html') this.#language ||= (attributes.lang ?? attributes['xml:lang'] ?? '').slice(0, 35);
    if (id !== undefined) {
      this.#meet(id);
      if (APPLICATION_IDS.test(id)) this.#marks.add('application');
    }
    if (name === 'a' && named !== undefined) this.#meet(named);
    if (name === 'app-root' || 'ng-version' in attributes || 'data-reactroot' in attributes)
      this.#marks.add('application');
    if (MEDIA.has(name)) this.#marks.add('media');
    if (name === 'input' && attributes.type?.toLowerCase() === 'password') {
      this.#marks.add('password');
      if (!around) this.#marks.add('password-in-main');
    }
    if (name === 'input' && HANDS_OVER.test(named ?? '')) this.#marks.add('handed-over');
    if (HEADING.test(name)) this.#bareHeadings.push(id === undefined);
    if (name === 'meta' && attributes['http-equiv']?.toLowerCase() === 'refresh')
      this.#refresh ??= readRefresh(attributes.content ?? '');
    if (name === 'meta' && attributes.property === 'og:site_name')
      this.#site ||= tidy(attributes.content ?? '').slice(0, LONGEST_TITLE);
    if (RIDDLE.test(attributes.class ?? '')) this.#marks.add('riddle');
    if (name === 'script') {
      if (RIDDLE.test(attributes.src ?? '')) this.#marks.add('riddle');
      if (runs(attributes.type)) {
        this.#marks.add('script');
        this.#script = '';
      } else if (/ld\+json/i.test(attributes.type ?? '')) this.#data = '';
    }
  }

  #meet(id: string): void {
    if (this.#ids.has(id)) this.#found.add(id);
    // Common practice (no source): sites that show what people wrote put this before ids, and a script leads there without it.
    else if (id.startsWith(PUT_BEFORE) && this.#ids.has(id.slice(PUT_BEFORE.length)))
      this.#found.add(id.slice(PUT_BEFORE.length));
  }

  #closed(name: string): void {
    if (name === 'title') this.#inTitle = false;
    if (name === 'h1' || name === 'h2') this.#heading = -1;
    if (name === 'script') this.#endScript();
    if (this.#depth === this.#open.length) this.#open.pop();
    this.#depth--;
    if (!INLINE.has(name)) this.#space();
  }

  #endScript(): void {
    if (this.#script !== null && this.#sendsOn === '') this.#sendsOn = scriptSendsTo(this.#script) ?? '';
    if (this.#data !== null && /"isAccessibleForFree"\s*:\s*"?false/i.test(this.#data))
      this.#marks.add('paid');
    this.#script = null;
    this.#data = null;
  }

  #read(text: string): void {
    if (this.#inTitle) {
      if (this.#title!.length < LONGEST_TITLE * 4) this.#title += text;
      return;
    }
    if (this.#script !== null || this.#data !== null) {
      if (this.#scripted > SEARCHED_SCRIPT) return;
      this.#scripted += text.length;
      if (this.#script !== null) this.#script += text;
      else this.#data += text;
      return;
    }
    const { unseen, around } = this.#open.at(-1) ?? TOP;
    if (unseen) return;
    if (this.#heading >= 0 && this.#headings[this.#heading]!.length < LONGEST_TITLE * 4)
      this.#headings[this.#heading] += text;
    if (this.#allWords < ENOUGH_WORDS) {
      this.#seen += text;
      if (this.#seen.length > PIECE) this.#takeSeen();
    }
    if (this.#keepsText && this.#whole.length < SEARCHED_TEXT) this.#whole += text;
    if (around) return;
    const room = GATHERED - this.#text.length;
    if (room > 0) this.#text += text.length > room ? text.slice(0, room) : text;
    this.#piece += text;
    if (this.#piece.length > 2 * PIECE) this.#takePiece();
  }

  #space(): void {
    if (this.#heading >= 0) this.#headings[this.#heading] += ' ';
    if (this.#text.length > 0 && this.#text.length < GATHERED) this.#text += ' ';
    if (this.#piece.length > 0 && !this.#piece.endsWith(' ')) this.#piece += ' ';
    if (this.#seen.length > 0 && !this.#seen.endsWith(' ')) this.#seen += ' ';
    if (this.#keepsText && !this.#whole.endsWith(' ')) this.#whole += ' ';
  }

  /** Looks at the main text so far, but for a word that may go on. */
  #takePiece(all = false): void {
    const [done, rest] = all ? [this.#piece, ''] : atSpace(this.#piece);
    this.#print.add(done);
    this.#piece = rest;
  }

  #takeSeen(all = false): void {
    const [done, rest] = all ? [this.#seen, ''] : atSpace(this.#seen);
    this.#allWords += wordsIn(done);
    this.#seen = rest;
  }
}

/** A text up to its last white space, and the rest; what has none is cut. */
function atSpace(text: string): [string, string] {
  let at = text.length;
  while (at > 0 && !SPACE.test(text[at - 1]!)) at--;
  return at === 0 ? [text, ''] : [text.slice(0, at), text.slice(at)];
}

const SPACE = /\s/;

const PUT_BEFORE = 'user-content-';

const tidy = (text: string): string => text.replace(/\s+/g, ' ').trim();
