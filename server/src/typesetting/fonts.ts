import { createRequire } from 'node:module';
import { dirname } from 'node:path';
import type { EnclosureFile, ScriptFont } from '@vennet/core/publish';
import type { Font, FontCollection } from 'fontkit';

/** A family of fonts that ships with Vennet. All are under the SIL Open Font License. */
interface ShippedFamily {
  family: string;
  /** The npm package, and its cuts that are used. */
  from: string;
  cuts: readonly string[];
}

const TWO_CUTS = ['400Regular', '700Bold'];

/** The sans, and faces for scripts that the typesetter's own have no shapes for. */
export const SHIPPED: readonly ShippedFamily[] = [
  {
    family: 'Source Sans 3',
    from: 'source-sans-3',
    cuts: ['400Regular', '400Regular_Italic', '700Bold', '700Bold_Italic'],
  },
  { family: 'Amiri', from: 'amiri', cuts: TWO_CUTS },
  { family: 'Noto Serif Devanagari', from: 'noto-serif-devanagari', cuts: TWO_CUTS },
  { family: 'Noto Sans Thai', from: 'noto-sans-thai', cuts: TWO_CUTS },
  { family: 'Noto Sans Malayalam', from: 'noto-sans-malayalam', cuts: TWO_CUTS },
];

/** The typesetter's own. */
const WITHIN = ['Libertinus Serif', 'New Computer Modern', 'New Computer Modern Math', 'DejaVu Sans Mono'];

/** The folders of the fonts that ship. */
export function shippedFolders(): string[] {
  const { resolve } = createRequire(import.meta.url);
  return SHIPPED.flatMap(({ family, from, cuts }) =>
    cuts.map((cut) =>
      dirname(resolve(`@expo-google-fonts/${from}/${cut}/${family.replaceAll(' ', '')}_${cut}.ttf`)),
    ),
  );
}

const plain = (name: string): string => name.replace(/[^A-Za-z0-9]/g, '').toLowerCase();
const SHIPPED_NAMES = [...SHIPPED.map(({ family }) => family), ...WITHIN].map(plain);

/** Whether a font ships, by its name as a PDF has it: `ABCDEF+NotoSansThai-Regular`. */
export const ships = (name: string): boolean =>
  SHIPPED_NAMES.some((family) => plain(bare(name)).startsWith(family));

/** The name of a font in a PDF without the sign of its part. */
const bare = (name: string): string => name.replace(/^[A-Z]{6}\+/, '');

/**
 * The family of a font by its name in a PDF, as people write it, and where it comes from.
 *
 * @param shelf the families of the Shelf
 */
export function fontNamed(name: string, shelf: readonly string[]): ScriptFont {
  const own = shelf.find((family) => plain(bare(name)).startsWith(plain(family)));
  if (own !== undefined) return { family: own, from: 'shelf' };
  const family = bare(name)
    .replace(/-[^-]*$/, '')
    .replace(/([a-z])([A-Z0-9])/g, '$1 $2');
  return { family, from: ships(name) ? 'shipped' : 'machine' };
}

export const FONT_TYPES: ReadonlySet<string> = new Set([
  'font/ttf',
  'font/otf',
  'font/woff2',
  'font/collection',
]);

/** A font of the Shelf: as the typesetter takes it, or why it is not used, for the author. */
export type ShelfFont = { family: string; bytes: Uint8Array } | { why: string };

/**
 * Reads a font, and whether what is in it may be put into files.
 *
 * The rights are those of its table OS/2 (OpenType 1.9, `fsType`): bit 1 alone forbids it, bit 8 forbids to put in only the shapes that
 * are used, bit 9 allows pictures of them only.
 */
export async function shelfFont({
  name,
  type,
  bytes,
}: Pick<EnclosureFile, 'name' | 'type' | 'bytes'>): Promise<ShelfFont> {
  const broken = {
    why: `The font “${name}” is broken, so it is not used. Replace it on the Shelf by one that its maker offers.`,
  };
  try {
    // Most books have no font on the Shelf, and loading what reads them takes longer than setting a page.
    const { create } = await import('fontkit');
    const plainBytes = type === 'font/woff2' ? await unpacked(bytes) : bytes;
    const read: Font | FontCollection = create(Buffer.from(plainBytes));
    const fonts = 'fonts' in read ? read.fonts : [read];
    const [first] = fonts;
    if (!first || first.numGlyphs === 0) return broken;
    // Characters are asked for, since a font may open and yet have no table of them that can be read.
    if (!first.familyName || first.characterSet.length === 0) return broken;
    const why = fonts.map(forbids).find((one) => one !== null);
    return why
      ? {
          why: `The font “${name}” is not used: ${why}. Ask its maker for a licence by which it may be embedded.`,
        }
      : { family: first.familyName, bytes: plainBytes };
  } catch {
    return broken;
  }
}

const unpacked = async (bytes: Uint8Array): Promise<Uint8Array> =>
  new Uint8Array(await (await import('wawoff2')).decompress(bytes));

/** What a font says against being embedded; `null` for nothing. */
function forbids(font: Font): string | null {
  // fontkit reads the field as flags by their names.
  const rights = (font['OS/2'] as unknown as { fsType?: Record<string, boolean> } | undefined)?.fsType;
  if (!rights) return null;
  const { noEmbedding, viewOnly, editable, noSubsetting, bitmapOnly } = rights;
  if (noEmbedding && !viewOnly && !editable) return 'its maker forbids to embed it in files';
  if (noSubsetting) return 'its maker forbids to embed only the letters that are used';
  if (bitmapOnly) return 'its maker allows to embed pictures of its letters only';
  return null;
}

/** The files of a book with its fonts as the typesetter takes them; those that can't be used are left out, and told. */
export async function withFonts(
  files: readonly EnclosureFile[],
): Promise<{ files: EnclosureFile[]; notes: string[] }> {
  const notes: string[] = [];
  const kept: EnclosureFile[] = [];
  for (const file of files) {
    if (!FONT_TYPES.has(file.type) || file.bytes.length === 0) {
      kept.push(file);
      continue;
    }
    const font = await shelfFont(file);
    if ('why' in font) notes.push(font.why);
    else kept.push({ ...file, name: font.family, type: 'font/ttf', bytes: font.bytes });
  }
  return { files: kept, notes };
}
