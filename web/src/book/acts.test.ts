import { describe, expect, jest, test } from '@jest/globals';
import { createActs } from './acts.js';

function started() {
  const said: string[] = [];
  const counts = new Map([
    ['a', 9],
    ['b', 9],
    ['empty', 0],
  ]);
  const acts = createActs({
    inText(chapter, way) {
      if ((counts.get(chapter) ?? 0) === 0) return null;
      said.push(`${way} ${chapter}`);
      return 3;
    },
    takeBack: jest.fn(async (change: string) => {
      said.push(`back ${change}`);
      return change === 'gone' ? null : `${change}'`;
    }),
    show: (chapter, at) => said.push(`show ${chapter} ${at}`),
  });
  return { acts, said };
}

describe('undo', () => {
  test('goes back in the order in which things were done, whatever chapter they were in', async () => {
    const { acts, said } = started();
    acts.did({ chapter: 'a' });
    acts.did({ change: 'x' });
    acts.did({ chapter: 'b' });
    expect([acts.undo(), acts.undo()]).toEqual([true, true]);
    await new Promise((resolve) => setTimeout(resolve));
    expect([acts.undo(), acts.undo()]).toEqual([true, false]);
    expect(said).toEqual(['undo b', 'show b 3', 'back x', 'undo a', 'show a 3']);
    expect(acts.canUndo()).toBe(false);
  });

  test('is undone by redo, until something new is done', async () => {
    const { acts, said } = started();
    acts.did({ chapter: 'a' });
    acts.did({ change: 'x' });
    acts.undo();
    await new Promise((resolve) => setTimeout(resolve));
    acts.undo();
    said.length = 0;
    acts.redo();
    acts.redo();
    await new Promise((resolve) => setTimeout(resolve));
    expect(said).toEqual(['redo a', 'show a 3', "back x'"]);
    acts.undo();
    expect(said.at(-1)).toBe("back x''");
    acts.did({ chapter: 'b' });
    expect(acts.canRedo()).toBe(false);
  });

  test('takes back at once what was done together, the last first, and shows that', () => {
    const { acts, said } = started();
    acts.did({ chapter: 'b' });
    acts.together(() => {
      acts.did({ chapter: 'a' });
      acts.did({ chapter: 'b' });
    });
    acts.undo();
    acts.redo();
    expect(said).toEqual(['undo b', 'undo a', 'show b 3', 'redo a', 'redo b', 'show b 3']);
    acts.undo();
    acts.undo();
    expect(acts.canUndo()).toBe(false);
  });

  test('passes over what is there no more', () => {
    const { acts, said } = started();
    acts.did({ chapter: 'a' });
    acts.did({ chapter: 'empty' });
    acts.did({ change: 'y' });
    acts.forget('y');
    expect(acts.undo()).toBe(true);
    expect(said[0]).toBe('undo a');
  });

  test('of a chapter does not join what was done elsewhere in between', () => {
    const { acts } = started();
    expect(acts.isBroken('a')).toBe(false);
    acts.did({ chapter: 'a' });
    expect([acts.isBroken('a'), acts.isBroken('b')]).toEqual([false, true]);
    acts.did({ change: 'x' });
    expect(acts.isBroken('a')).toBe(true);
  });
});

test('what is asked for while a change is under way waits for it', async () => {
  const takenBack: string[] = [];
  const acts = createActs({
    inText: () => null,
    takeBack: async (change) => {
      takenBack.push(change);
      return `back of ${change}`;
    },
    show: () => {},
  });
  acts.did({ change: 'first' });
  let done = () => {};
  acts.doing(new Promise<void>((resolve) => (done = resolve)));
  expect(acts.undo()).toBe(true);
  expect(takenBack).toEqual([]);
  acts.did({ change: 'second' });
  done();
  await new Promise((resolve) => setTimeout(resolve));
  expect(takenBack).toEqual(['second']);
});
