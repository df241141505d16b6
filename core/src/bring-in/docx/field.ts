/** What the code of a field asks for (ECMA-376-1, 17.16). */
export interface Field {
  /** In capitals: `HYPERLINK`. */
  name: string;
  /** What stands in it beside its switches. */
  arguments: string[];
  /** Its switches in small letters, each with what follows it; empty where nothing does. */
  switches: Map<string, string>;
}

/** Switches that are followed by a value, by the name of the field; those of format and number (`\*`, `\#`, `\@`) are in all. */
const WITH_VALUE: Record<string, string> = {
  HYPERLINK: 'lot',
  TOC: 'abcdfolpst',
  REF: 'd',
  SEQ: 'rs',
  NOTEREF: '',
  PAGEREF: '',
};

/** Reads the code of a field: its name, words in quotation marks or without, and switches. */
export function readField(code: string): Field {
  const parts = [...code.matchAll(/"((?:[^"\\]|\\.)*)"?|\\(\S)|([^\s"\\]+|\\\\\S*)/g)];
  const field: Field = { name: '', arguments: [], switches: new Map() };
  let open: string | null = null;
  for (const [, quoted, letter, bare] of parts) {
    if (letter !== undefined) {
      const key = letter.toLowerCase();
      field.switches.set(key, '');
      const takes = '*#@'.includes(key) || (WITH_VALUE[field.name] ?? '').includes(key);
      open = takes ? key : null;
      continue;
    }
    const value = (quoted ?? bare ?? '').replace(/\\(["\\])/g, '$1');
    if (open !== null) field.switches.set(open, value);
    else if (field.name === '') field.name = value.toUpperCase();
    else field.arguments.push(value);
    open = null;
  }
  return field;
}
