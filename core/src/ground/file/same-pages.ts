import {
  PdfArray,
  PdfBool,
  PdfDict,
  PdfName,
  PdfNumber,
  PdfRef,
  PdfStream,
  PdfString,
  type PdfObject,
} from '@libpdf/core';
import { sameBytes } from '../bytes.js';
import type { GroundFile } from './open.js';

/** What of a page is not its look: its links, how they are met, and what it is part of. */
const NOT_LOOK = new Set(['Annots', 'Tabs', 'Parent', 'StructParents', 'StructParent']);
/** Numbers have about five decimals in their fractions (ISO 32000-1, table C.1); more of them may be lost when a file is written anew. */
const PRECISION = 1e-5;
/** What the way of packing a stream says, and not the stream. */
const PACKING = new Set(['Length', 'Filter', 'DecodeParms', 'DL']);

/**
 * The numbers of the pages that are not the same in two files, from 1: their boxes, their contents, fonts and pictures are compared, as
 * far as they lead; links and remarks are not. A page that is in one file only is among them.
 */
export function pagesThatDiffer(before: GroundFile, after: GroundFile): number[] {
  const known = new Map<PdfObject, PdfObject>();
  const differing: number[] = [];
  for (let index = 0; index < Math.max(before.pages.length, after.pages.length); index++) {
    const [one, other] = [before.pages[index], after.pages[index]];
    const isSame =
      one !== undefined &&
      other !== undefined &&
      JSON.stringify(one.frame) === JSON.stringify(other.frame) &&
      same(one.dict, other.dict);
    if (!isSame) differing.push(index + 1);
  }
  return differing;

  /** Whether two objects are the same, all that they lead to included. What is compared already is not compared again. */
  function same(one: PdfObject | undefined, other: PdfObject | undefined): boolean {
    const waiting: [PdfObject | undefined, PdfObject | undefined][] = [[one, other]];
    while (waiting.length > 0) {
      const [first, second] = waiting.pop()!;
      const [a, b] = [before.resolve(first), after.resolve(second)];
      if (a === null || b === null) {
        if (isNothing(a) && isNothing(b)) continue;
        return false;
      }
      if (a instanceof PdfRef || b instanceof PdfRef) return false;
      if (a instanceof PdfDict && b instanceof PdfDict) {
        if (known.get(a) === b) continue;
        known.set(a, b);
        if (!sameEntries(a, b, waiting)) return false;
      } else if (a instanceof PdfArray && b instanceof PdfArray) {
        if (a.length !== b.length) return false;
        for (let at = 0; at < a.length; at++) waiting.push([a.at(at), b.at(at)]);
      } else if (!sameValue(a, b)) return false;
    }
    return true;
  }

  function sameEntries(
    a: PdfDict,
    b: PdfDict,
    waiting: [PdfObject | undefined, PdfObject | undefined][],
  ): boolean {
    const areStreams = a instanceof PdfStream && b instanceof PdfStream;
    if (!areStreams && (a instanceof PdfStream || b instanceof PdfStream)) return false;
    const skipped = (key: string) => NOT_LOOK.has(key) || (areStreams && PACKING.has(key));
    const keys = (dict: PdfDict) => [...dict.keys()].map(({ value }) => value).filter((key) => !skipped(key));
    const names = keys(a);
    if (names.length !== keys(b).length) return false;
    for (const key of names) {
      if (!b.has(key)) return false;
      // A page that is led to is compared by itself.
      if (key === 'P' || key === 'Pg') continue;
      waiting.push([a.get(key), b.get(key)]);
    }
    return !areStreams || sameStream(a, b);
  }
}

const isNothing = (object: PdfObject | null): boolean => object === null || object.type === 'null';

function sameValue(a: PdfObject, b: PdfObject): boolean {
  if (a instanceof PdfNumber && b instanceof PdfNumber) return Math.abs(a.value - b.value) <= PRECISION;
  if (a instanceof PdfName && b instanceof PdfName) return a.value === b.value;
  if (a instanceof PdfBool && b instanceof PdfBool) return a.value === b.value;
  if (a instanceof PdfString && b instanceof PdfString) return sameBytes(a.bytes, b.bytes);
  return a.type === b.type && a.type === 'null';
}

/** Streams are the same when their packed bytes are, or what they unpack to. */
function sameStream(a: PdfStream, b: PdfStream): boolean {
  if (sameBytes(a.data, b.data)) return true;
  try {
    return sameBytes(a.getDecodedData(), b.getDecodedData());
  } catch {
    return false;
  }
}
