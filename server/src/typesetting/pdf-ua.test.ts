import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { DEFAULT_PDF, editionOf, withPages } from '@vennet/core/publish';
import { wholeBook, wholeBookPictures, wholeBookSurroundings } from '@vennet/core/testing';
import { run } from '../testing/readers.js';
import { finishPdf } from './finish.js';
import { setPages } from './typeset.js';

/** A dictionary of a PDF as qpdf gives it: names begin with a slash, references end with R, texts begin with `u:`. */
type Dict = Readonly<Record<string, unknown>>;

/** The objects of a PDF by a reader that shares no code with its makers. */
class Objects {
  readonly all: readonly Dict[];
  readonly #byRef: ReadonlyMap<string, unknown>;

  constructor(json: string) {
    const [, objects] = (
      JSON.parse(json) as {
        qpdf: [unknown, Record<string, { value?: unknown; stream?: { dict: Dict; data?: string } }>];
      }
    ).qpdf;
    this.#byRef = new Map(
      Object.entries(objects).map(([name, { value, stream }]) => [
        name.replace(/^obj:/, ''),
        value ?? (stream && { ...stream.dict, data: stream.data }),
      ]),
    );
    this.all = [...this.#byRef.values()].filter(
      (one): one is Dict => typeof one === 'object' && one !== null,
    );
  }

  of(value: unknown): unknown {
    return typeof value === 'string' && /^\d+ \d+ R$/.test(value) ? this.#byRef.get(value) : value;
  }

  dict(value: unknown): Dict {
    const found = this.of(value);
    return typeof found === 'object' && found !== null ? (found as Dict) : {};
  }

  list(value: unknown): unknown[] {
    const found = this.of(value);
    return Array.isArray(found) ? found : found === undefined ? [] : [found];
  }
}

let folder: string;
let pdf: Objects;
let catalog: Dict;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'vennet-ua-'));
  const choices = { pdf: { ...DEFAULT_PDF, back: true, head: 'title' as const, addresses: 'foot' as const } };
  const edition = editionOf(wholeBook(), wholeBookPictures, 'pdf', wholeBookSurroundings, choices);
  const set = setPages(edition).write();
  expect(set.notes).toEqual([]);
  const path = join(folder, 'book.pdf');
  await writeFile(path, await finishPdf(set.bytes, withPages(edition, set.labels), set.places, set.backs));
  pdf = new Objects(
    (await run('qpdf', ['--json=2', '--json-stream-data=inline', '--decode-level=all', path])).stdout,
  );
  catalog = pdf.all.find((one) => one['/Type'] === '/Catalog')!;
}, 60_000);
afterAll(() => rm(folder, { recursive: true, force: true }));

const elements = (role: string) =>
  pdf.all.filter((one) => one['/Type'] === '/StructElem' && one['/S'] === role);

/** Conditions of the Matterhorn Protocol 1.1 that a program can judge; numbers from memory, clauses of ISO 14289-1 beside them. */
describe('a PDF of the whole worked example, by the Matterhorn Protocol', () => {
  test('01, 02: is tagged, and every role is one of the standard (ISO 32000-1, 14.8.4)', () => {
    expect(catalog['/MarkInfo']).toMatchObject({ '/Marked': true });
    const standard =
      /^\/(?:Document|Part|Art|Sect|Div|BlockQuote|Caption|TOC|TOCI|Index|NonStruct|Private|P|H|H[1-6]|L|LI|Lbl|LBody|Table|TR|TH|TD|THead|TBody|TFoot|Span|Quote|Note|Reference|BibEntry|Code|Link|Annot|Figure|Formula|Form)$/;
    const roles = pdf.dict(pdf.dict(catalog['/StructTreeRoot'])['/RoleMap']);
    const used = new Set(
      pdf.all.filter((one) => one['/Type'] === '/StructElem').map((one) => String(one['/S'])),
    );
    const strange = [...used].filter((role) => !standard.test(role) && !standard.test(String(roles[role])));
    expect(strange).toEqual([]);
  });

  test('06, 07, 11: says its title, its language and what it claims', () => {
    expect(catalog['/ViewerPreferences']).toMatchObject({ '/DisplayDocTitle': true });
    expect(catalog['/Lang']).toBe('u:en-GB');
    const data = String(pdf.dict(catalog['/Metadata']).data);
    const xmp = Buffer.from(data, 'base64').toString('utf8');
    expect(xmp).toMatch(/pdfuaid:part[>=]["']?1/);
    expect(xmp).toMatch(/<dc:title>/);
  });

  test('13, 15, 17: pictures and formulas have other words, head cells say what they are heads of', () => {
    for (const figure of [...elements('/Figure'), ...elements('/Formula')])
      expect(String(figure['/Alt'] ?? figure['/ActualText'] ?? '')).toMatch(/\S/);
    expect(elements('/Figure').length).toBeGreaterThan(0);
    for (const head of elements('/TH')) {
      const attributes = pdf.list(head['/A']).map((one) => pdf.dict(one));
      expect(attributes.some((one) => one['/Scope'] !== undefined)).toBe(true);
    }
  });

  test('14: no level of headings is skipped', () => {
    const levels: number[] = [];
    const walk = (element: Dict) => {
      const level = /^\/H([1-6])$/.exec(String(element['/S']))?.[1];
      if (level) levels.push(Number(level));
      for (const kid of pdf.list(element['/K'])) {
        const child = pdf.dict(kid);
        if (child['/Type'] === '/StructElem') walk(child);
      }
    };
    for (const kid of pdf.list(pdf.dict(catalog['/StructTreeRoot'])['/K'])) walk(pdf.dict(kid));
    expect(levels.length).toBeGreaterThan(5);
    levels.forEach((level, index) => expect(level).toBeLessThanOrEqual((levels[index - 1] ?? 0) + 1));
  });

  test('09, 14: each heading begins a section, lower ones within it, and each element says what it stands in', () => {
    const sections: string[] = [];
    const walk = (element: Dict, within: number) => {
      const kids = pdf.list(element['/K']).map((kid) => [kid, pdf.dict(kid)] as const);
      const children = kids.filter(([, child]) => child['/Type'] === '/StructElem');
      for (const [, child] of children) {
        expect(pdf.dict(child['/P'])).toBe(element);
        const first = String(pdf.dict(pdf.list(child['/K'])[0])['/S']);
        const level = Number(/^\/H([1-6])$/.exec(first)?.[1]);
        if (child['/S'] === '/Sect') {
          sections.push(first);
          expect(level).toBeGreaterThan(within);
        }
        walk(child, child['/S'] === '/Sect' ? level : within);
      }
    };
    const [whole] = pdf.list(pdf.dict(catalog['/StructTreeRoot'])['/K']).map((kid) => pdf.dict(kid));
    walk(whole!, 0);
    expect(sections.length).toBe([1, 2, 3, 4, 5, 6].flatMap((level) => elements(`/H${level}`)).length);
  });

  test('19, 21, 25, 26: notes have ids of their own, files within have names, and nothing shuts anyone out', () => {
    const ids = elements('/Note').map((note) => note['/ID']);
    expect(ids.every((id) => id !== undefined)).toBe(true);
    expect(new Set(ids).size).toBe(ids.length);
    const files = pdf.all.filter((one) => one['/EF'] !== undefined);
    expect(files.length).toBeGreaterThan(0);
    for (const file of files) expect([typeof file['/F'], typeof file['/UF']]).toEqual(['string', 'string']);
    expect(catalog['/AcroForm']).toBeUndefined();
  });

  test('28: each link has its words, stands in a Link element, and is met in the order of the structure', () => {
    const inStructure = new Set(
      elements('/Link').flatMap((element) =>
        pdf.list(element['/K']).flatMap((kid) => {
          const reference = pdf.dict(kid);
          return reference['/Type'] === '/OBJR' ? [reference['/Obj']] : [];
        }),
      ),
    );
    const pages = pdf.all.filter((one) => one['/Type'] === '/Page');
    let links = 0;
    for (const page of pages) {
      const annotations = pdf.list(page['/Annots']);
      if (annotations.length > 0) expect(page['/Tabs']).toBe('/S');
      for (const reference of annotations) {
        const annotation = pdf.dict(reference);
        if (annotation['/Subtype'] !== '/Link') continue;
        links++;
        expect(String(annotation['/Contents'] ?? '')).toMatch(/^u:\S/);
        expect(annotation['/StructParent']).toBeDefined();
        expect(inStructure.has(reference)).toBe(true);
      }
    }
    expect(links).toBeGreaterThan(70);
  });

  test('31: every font is embedded', () => {
    const described = pdf.all.filter((one) => one['/Type'] === '/FontDescriptor');
    expect(described.length).toBeGreaterThan(0);
    for (const font of described)
      expect(['/FontFile', '/FontFile2', '/FontFile3'].some((file) => file in font)).toBe(true);
    for (const font of pdf.all.filter((one) => one['/Type'] === '/Font'))
      expect(font['/ToUnicode'] ?? font['/DescendantFonts'] ?? font['/FontDescriptor']).toBeDefined();
  });
});
