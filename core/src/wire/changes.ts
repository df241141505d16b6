/** What is new of a keyed list: the values that differ where its keys are the same in the same order, else all of it. */
export type Changes<Value> = { whole: [string, Value][] } | { changed: [string, Value][] };

/** Remembers a keyed list as it was last told, and says what is new of it. Values are data, and compared as JSON. */
export function teller<Value>(): (list: ReadonlyMap<string, Value>) => Changes<Value> {
  let told = new Map<string, string>();
  return (list) => {
    const before = told;
    told = new Map([...list].map(([key, value]) => [key, JSON.stringify(value)]));
    const keys = [...before.keys()];
    const isSame = keys.length === told.size && [...told.keys()].every((key, index) => key === keys[index]);
    if (!isSame) return { whole: [...list] };
    return { changed: [...list].filter(([key]) => before.get(key) !== told.get(key)) };
  };
}

/** A keyed list with what is new of it: the very same list when nothing is, and the very same values where they are. */
export function withChanges<Value>(
  list: ReadonlyMap<string, Value>,
  changes: Changes<Value>,
): ReadonlyMap<string, Value> {
  if ('whole' in changes) return new Map(changes.whole);
  if (changes.changed.length === 0) return list;
  const now = new Map(list);
  for (const [key, value] of changes.changed) now.set(key, value);
  return now;
}
