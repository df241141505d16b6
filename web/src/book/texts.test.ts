import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { ApiError, UnreachableError } from '@vennet/client';
import type { Node } from 'prosemirror-model';
import { type Schema } from 'prosemirror-model';
import { schema, SCHEMA_VERSION } from '@vennet/core/manuscript';
import { NO_SURROUNDINGS } from '@vennet/core/shelf';
import { applySteps, stepsFrom } from '@vennet/core/steps';
import type { Manuscript, StepsAnswer, StepsMade, StepsSent, VersionedChapter } from '@vennet/core/wire';
import fc from 'fast-check';
import { collab } from 'prosemirror-collab';
import { history, undo } from 'prosemirror-history';
import { EditorState } from 'prosemirror-state';
import { Step, StepMap, StepResult } from 'prosemirror-transform';
import type { KeptSteps, StepsStore } from './kept-steps.js';
import { beingFilledIn } from './open-slips.js';
import { createBookStore } from './store.js';
import { createTexts } from './texts.js';

const docOf = (...paragraphs: string[]): Node =>
  schema.node(
    'doc',
    null,
    paragraphs.map((words) => schema.node('paragraph', null, words === '' ? [] : [schema.text(words)])),
  );

/** The server in small: it takes steps at its version only, and knows the batches that it has taken. */
class Server {
  doc: Node;
  log: StepsMade[] = [];
  /** What is to happen to the next requests. */
  faults: ('lose request' | 'lose answer' | 'refuse')[] = [];

  constructor(...paragraphs: string[]) {
    this.doc = docOf(...paragraphs);
  }

  get version(): number {
    return this.log.reduce((sum, { steps }) => sum + steps.length, 1);
  }

  chapter(): VersionedChapter {
    return {
      id: 'c',
      title: 'One',
      matter: 'main',
      leftOutOf: [],
      version: this.version,
      doc: this.doc.toJSON() as object,
    };
  }

  add(change: string, window: string, steps: object[]): void {
    const from = this.version;
    this.doc = applySteps(this.doc, stepsFrom(steps)).doc;
    this.log.push({ change, window, from, steps });
  }

  since(version: number): StepsAnswer {
    const missed = this.log.filter(({ from }) => from >= version);
    return { taken: false, version: this.version, title: 'One', missed, current: null };
  }

  take({ batch, window, version, steps }: StepsSent): StepsAnswer {
    const known = this.log.find(({ change }) => change === batch);
    if (known) return { ...this.since(Infinity), taken: true, version: known.from + known.steps.length };
    if (version !== this.version) return this.since(version);
    this.add(batch, window, steps);
    return { ...this.since(Infinity), taken: true };
  }

  readonly api = {
    sendSteps: jest.fn(async (_chapter: string, sent: StepsSent): Promise<StepsAnswer> => {
      const fault = this.faults.shift();
      if (fault === 'lose request') throw new UnreachableError();
      if (fault === 'refuse')
        throw new ApiError({ type: 'about:blank', title: 'No', status: 422, detail: 'It does not fit.' });
      const answer = this.take(JSON.parse(JSON.stringify(sent)) as StepsSent);
      if (fault === 'lose answer') throw new UnreachableError();
      return answer;
    }),
    stepsSince: async (_chapter: string, version: number) => this.since(version),
  };
}

/** A store of kept steps that several windows share. */
function keptSteps() {
  const kept = new Map<string, KeptSteps>();
  const name = (window: string, chapter: string) => `${window} ${chapter}`;
  const steps: StepsStore = {
    keep: async (one) => void kept.set(name(one.window, one.chapter), one),
    keepNow: (one) => void kept.set(name(one.window, one.chapter), one),
    drop: async (window, chapter) => void kept.delete(name(window, chapter)),
    takeLeft: async () => {},
  };
  return { kept, steps };
}

let batches = 0;

function windowOf(server: Server, name = 'w', shared = keptSteps()) {
  const store = createBookStore();
  store
    .getState()
    .take({ chapters: [server.chapter()] } as unknown as Manuscript, NO_SURROUNDINGS, new Map());
  const notices = { tell: jest.fn(), announce: jest.fn() };
  const texts = createTexts({
    store,
    kept: shared.steps,
    notices,
    api: server.api,
    window: name,
    acts: { did: jest.fn(), isBroken: () => false },
    mint: () => `batch-${++batches}`,
    makeState: (_chapter, doc) =>
      EditorState.create({ doc, plugins: [history(), collab({ clientID: name })] }),
  });
  const state = () => texts.stateOf('c')!;
  const type = (words: string, at = state().doc.content.size - 1) =>
    texts.apply('c', state().tr.insertText(words, at));
  return {
    store,
    texts,
    notices,
    shared,
    state,
    type,
    says: () => texts.state.getState().state,
    words: () => state().doc.textContent,
  };
}

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());
const wait = (time: number) => jest.advanceTimersByTimeAsync(time);

describe('what is typed', () => {
  test('is kept in the browser after a moment, sent as steps after a pause, and let go when it is stored', async () => {
    const server = new Server('');
    const here = windowOf(server);
    here.state();
    here.type('a');
    here.type('b');
    expect([here.says(), here.shared.kept.size]).toEqual(['unsaved', 0]);
    await wait(200);
    expect([...here.shared.kept.values()]).toMatchObject([
      { version: 1, schema: SCHEMA_VERSION, batch: null },
    ]);
    expect(here.store.getState().book?.chapters[0]).toMatchObject({
      doc: docOf('ab').toJSON() as object,
      version: 1,
    });
    expect(server.api.sendSteps).not.toHaveBeenCalled();
    await wait(800);
    expect(server.doc.textContent).toBe('ab');
    expect([here.says(), here.shared.kept.size]).toEqual(['saved', 0]);
    expect(here.store.getState().book?.chapters[0]?.version).toBe(3);
  });

  test('while the server does not answer is kept and sent again; an answer that was lost doubles nothing', async () => {
    const server = new Server('');
    const here = windowOf(server);
    here.state();
    server.faults = ['lose request', 'lose answer'];
    here.type('a');
    await wait(1000);
    expect([here.says(), here.shared.kept.size, server.doc.textContent]).toEqual(['unreachable', 1, '']);
    expect(here.notices.announce).toHaveBeenCalledWith(expect.stringContaining('kept in this browser'));
    await wait(2000);
    expect([here.says(), server.doc.textContent]).toEqual(['unreachable', 'a']);
    here.type('b');
    await wait(3000);
    expect([here.says(), server.doc.textContent]).toEqual(['saved', 'ab']);
  });

  test('that the server refuses is kept, said, and not tried again before something else is typed', async () => {
    const server = new Server('');
    const here = windowOf(server);
    here.state();
    server.faults = ['refuse'];
    here.type('a');
    await wait(10_000);
    expect([here.says(), here.shared.kept.size]).toEqual(['refused', 1]);
    expect(here.notices.tell).toHaveBeenCalledWith(expect.stringContaining('It does not fit.'), {
      tone: 'fault',
    });
    expect(server.api.sendSteps).toHaveBeenCalledTimes(1);
    here.type('b');
    await wait(1000);
    expect(server.doc.textContent).toBe('ab');
  });

  test('is saved at once when everything is to be saved, what is being filled in beside the text too', async () => {
    const server = new Server('');
    const here = windowOf(server);
    here.state();
    here.type('a');
    const done = beingFilledIn(() => here.type('b'));
    const saved = here.texts.saveAll();
    done();
    await saved;
    expect(server.doc.textContent).toBe('ab');
  });

  test('at the last moment before the page goes away is kept', () => {
    const here = windowOf(new Server(''));
    here.state();
    here.type('a');
    here.texts.keepLast();
    expect([...here.shared.kept.values()][0]).toMatchObject({ doc: docOf('a').toJSON() as object });
  });
});

describe('two windows', () => {
  test('that type at once have both words, and neither is refused', async () => {
    const server = new Server('lamp', 'wick');
    const [one, two] = [windowOf(server, 'one'), windowOf(server, 'two')];
    one.state();
    two.state();
    one.type('A ', 1);
    two.type(' end');
    await wait(3000);
    await one.texts.catchUp('c', server.version);
    await two.texts.catchUp('c', server.version);
    expect(server.doc.toString()).toBe('doc(paragraph("A lamp"), paragraph("wick end"))');
    expect([one.state().doc.eq(server.doc), two.state().doc.eq(server.doc)]).toEqual([true, true]);
    expect([one.says(), two.says()]).toEqual(['saved', 'saved']);
  });

  test('undo what they did themselves, whatever came from the other', async () => {
    const server = new Server('lamp');
    const [one, two] = [windowOf(server, 'one'), windowOf(server, 'two')];
    one.state();
    two.state();
    one.type(' mine');
    await wait(1000);
    two.type('theirs ', 1);
    await wait(1000);
    await one.texts.catchUp('c', server.version);
    expect(one.words()).toBe('theirs lamp mine');
    undo(one.state(), (transaction) => one.texts.apply('c', transaction));
    await wait(1000);
    expect(server.doc.textContent).toBe('theirs lamp');
  });

  test('words whose paragraph another window took away are told', async () => {
    const server = new Server('first', 'second');
    const one = windowOf(server, 'one');
    one.state();
    const { doc } = server;
    const gone = EditorState.create({ doc }).tr.delete(7, doc.content.size);
    server.add(
      'x',
      'two',
      gone.steps.map((step) => step.toJSON() as object),
    );
    one.type('mine ', 8);
    await wait(1000);
    expect(server.doc.textContent).toBe('first');
    expect(one.notices.tell).toHaveBeenCalledWith(expect.stringContaining('mine'), expect.anything());
    expect(one.says()).toBe('saved');
  });

  test('a chapter that is not open here is caught up with as well', async () => {
    const server = new Server('lamp');
    const one = windowOf(server, 'one');
    const two = windowOf(server, 'two');
    two.state();
    two.type('s');
    await wait(1000);
    await one.texts.catchUp('c', server.version);
    expect(one.store.getState().book?.chapters[0]).toMatchObject({
      version: 2,
      doc: docOf('lamps').toJSON() as object,
    });
    expect((await one.texts.merged({ ...server.chapter(), title: 'T' })).title).toBe('T');
  });

  test('where the log does not reach back, the texts are compared', async () => {
    const server = new Server('lamp');
    const one = windowOf(server, 'one');
    one.state();
    one.type(' mine');
    server.add('x', 'two', [
      { stepType: 'replace', from: 1, to: 1, slice: { content: [{ type: 'text', text: 'theirs ' }] } },
    ]);
    const whole = server.take.bind(server);
    let asked = 0;
    server.take = (sent) =>
      asked++ === 0 ? { ...server.since(Infinity), missed: [], current: server.chapter() } : whole(sent);
    await wait(1000);
    expect(server.doc.textContent).toBe('theirs lamp mine');
    expect(one.words()).toBe('theirs lamp mine');
  });

  test('a whole text is put in as one change', async () => {
    const server = new Server('lamp');
    const one = windowOf(server, 'one');
    one.texts.replace('c', docOf('lamp', 'more'));
    await wait(1000);
    expect(server.doc.eq(docOf('lamp', 'more'))).toBe(true);
  });
});

describe('steps that a closed window has left behind', () => {
  const record = async (server: Server, ...faults: Server['faults']) => {
    let kept: KeptSteps | null = null;
    const shared = keptSteps();
    const keep = (one: KeptSteps) => void (kept = JSON.parse(JSON.stringify(one)) as KeptSteps);
    shared.steps.keepNow = keep;
    const gone = windowOf(server, 'gone', shared);
    gone.state();
    server.faults = faults;
    gone.type(' mine');
    await wait(800);
    gone.type('!');
    gone.texts.keepLast();
    gone.texts.forget('c');
    return kept!;
  };
  test.each([
    ['never arrived', ['lose request']],
    ['arrived, and the answer was lost', ['lose answer']],
  ] as const)('go on where they were when they %s', async (_, faults) => {
    const server = new Server('lamp');
    const kept = await record(server, ...faults);
    server.add('x', 'other', [
      { stepType: 'replace', from: 1, to: 1, slice: { content: [{ type: 'text', text: 'A ' }] } },
    ]);
    const here = windowOf(server, 'here');
    expect(await here.texts.adopt(kept)).toBe(true);
    await wait(1000);
    expect(server.doc.textContent).toBe('A lamp mine!');
    expect(here.words()).toBe('A lamp mine!');
  });

  test('of another schema are not made', async () => {
    const server = new Server('lamp');
    const kept = await record(server, 'lose request');
    expect(await windowOf(server, 'here').texts.adopt({ ...kept, schema: 99 })).toBe(false);
    expect(server.doc.textContent).toBe('lamp');
  });
});

/** A step of this window alone. */
class OwnStep extends Step {
  readonly staysHere = true;
  apply = (doc: Node) => StepResult.ok(doc);
  invert = () => this;
  map = () => this;
  override getMap = () => StepMap.empty;
  toJSON = () => ({ stepType: 'own' });
  static override fromJSON = (_schema: Schema) => new OwnStep();
}

test('a step of this window alone is never sent, and nothing waits for it', async () => {
  const server = new Server('lamp');
  const here = windowOf(server);
  here.state();
  here.texts.apply('c', here.state().tr.step(new OwnStep()));
  expect(here.says()).toBe('saved');
  here.type('s');
  here.texts.apply('c', here.state().tr.step(new OwnStep()));
  here.type('!');
  await wait(1000);
  expect(server.doc.textContent).toBe('lamps!');
  expect(server.log.flatMap(({ steps }) => steps)).toHaveLength(2);
  expect(here.says()).toBe('saved');
});

test('two windows that type, split, delete and undo at random, with lost requests and answers, agree in the end', async () => {
  const act = fc.record({
    window: fc.constantFrom(0, 1),
    what: fc.constantFrom('type', 'type', 'split', 'undo', 'wait', 'lose request', 'lose answer'),
    at: fc.double({ min: 0, max: 1, noNaN: true }),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(act, { minLength: 4, maxLength: 24 }), async (acts) => {
      const server = new Server('the lamp is low', 'the wick is long');
      const windows = [windowOf(server, 'one'), windowOf(server, 'two')];
      const typed: [Set<string>, Set<string>] = [new Set(), new Set()];
      let count = 0;
      for (const one of windows) one.state();
      for (const { window, what, at } of acts) {
        const here = windows[window]!;
        const { doc, tr } = here.state();
        const position = Math.round(at * doc.content.size);
        const $at = doc.resolve(position);
        // Not into a word that was typed: it could not be found again.
        const before = $at.parent.textBetween(0, $at.parentOffset);
        const fits = $at.parent.isTextblock && before.lastIndexOf('<') <= before.lastIndexOf('>');
        if (what === 'type' && fits) {
          const word = `<${++count}>`;
          typed[window].add(word);
          here.texts.apply('c', tr.insertText(word, position));
        } else if (what === 'split' && fits) here.texts.apply('c', tr.split(position));
        else if (what === 'undo') {
          const words = here.words();
          undo(here.state(), (transaction) => here.texts.apply('c', transaction));
          for (const word of typed[window])
            if (words.includes(word) && !here.words().includes(word)) typed[window].delete(word);
        } else if (what === 'wait') {
          await wait(800);
          await here.texts.catchUp('c', server.version);
        } else if (what !== 'type' && what !== 'split') server.faults.push(what);
      }
      server.faults = [];
      for (let round = 0; round < 4; round++) {
        await wait(3000);
        for (const one of windows) await one.texts.catchUp('c', server.version);
      }
      for (const one of windows) expect(one.state().doc.toString()).toBe(server.doc.toString());
      for (const word of [...typed[0], ...typed[1]]) expect(server.doc.textContent).toContain(word);
      for (const one of windows) expect(one.says()).toBe('saved');
    }),
    { numRuns: 120 },
  );
});
