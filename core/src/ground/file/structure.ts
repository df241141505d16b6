import { PdfArray, PdfDict, PdfName, PdfNumber, PdfRef, PdfString, type PdfObject } from '@libpdf/core';
import type { FilePage, GroundFile } from './open.js';
import { pairsIn } from './tree.js';

/** Marked contents under a link, by their numbers. */
export interface ContentsUnder {
  /** In reading order. */
  near: readonly number[];
  /** Those that it covers wholly. */
  whole: ReadonlySet<number>;
  /** Contents that nobody sees, and the words that are heard in place of them. */
  instead: { contents: readonly number[]; words: string } | null;
}

/** Where something stands in the structure: an element, and what it has there. */
interface Spot {
  element: PdfRef;
  dict: PdfDict;
}

/**
 * The structure of a tagged file (ISO 32000-1, 14.7): links are put into it beside their words and taken out of it. The parent tree,
 * by which an annotation finds its element, is kept in step.
 */
export class Structure {
  readonly #file: GroundFile;
  readonly #root: PdfDict;
  readonly #rootRef: PdfRef | null;
  /** The parents by their keys in the tree: an element, or an array of the elements of a page's contents. */
  readonly #parents = new Map<number, PdfObject>();
  #next = 0;
  /** Where new keys of the tree are written, and what is said of the least and greatest of them. */
  #added: PdfArray | null = null;
  #limits: PdfArray | null = null;

  private constructor(file: GroundFile, root: PdfDict) {
    this.#file = file;
    this.#root = root;
    const given = file.catalog.get('StructTreeRoot');
    this.#rootRef = given instanceof PdfRef ? given : null;
    this.#readParents();
  }

  /** `null` for a file without tags. */
  static of(file: GroundFile): Structure | null {
    const root = file.resolve(file.catalog.get('StructTreeRoot'));
    return file.tagged && root instanceof PdfDict ? new Structure(file, root) : null;
  }

  /** The element that holds a marked content of a page. */
  #elementOf(page: FilePage, content: number): Spot | null {
    const { resolve } = this.#file;
    const element = this.#elementsOn(page)?.at(content);
    const found = element instanceof PdfRef ? resolve(element) : null;
    return element instanceof PdfRef && found instanceof PdfDict ? { element, dict: found } : null;
  }

  /**
   * Makes an element for the annotations of a link and puts it where its words are: around the marked contents that it covers wholly,
   * else behind the one that it is part of; a picture is followed by it.
   *
   * @param role `Link`, and `Annot` for annotations of other kinds (ISO 32000-1, table 338)
   * @param under marked contents under the link
   */
  add(
    role: 'Link' | 'Annot',
    annotations: readonly PdfRef[],
    page: FilePage,
    { near, whole, instead }: ContentsUnder,
  ): void {
    const { pdf, resolve } = this.#file;
    const link = PdfDict.of({ Type: PdfName.of('StructElem'), S: PdfName.of(role), Pg: page.ref });
    const kids = new PdfArray();
    const first = near
      .map((content) => ({ content, spot: this.#elementOf(page, content) }))
      .find(({ spot }) => spot);
    const linkRef = pdf.context.register(link);
    if (first?.spot) {
      const { spot, content } = first;
      const isPicture = spot.dict.getName('S', resolve)?.value === 'Figure';
      const parent = isPicture ? this.#parentOf(spot) : spot;
      if (!isPicture && whole.has(content)) {
        const own = near.filter(
          (one) =>
            whole.has(one) && this.#elementOf(page, one)?.element.toString() === spot.element.toString(),
        );
        this.#insert(parent, linkRef, (kid) => isContent(kid, content, resolve), 'before');
        for (const one of own) {
          this.#removeKid(spot.dict, (kid) => isContent(kid, one, resolve));
          kids.push(PdfNumber.of(one));
          this.#elementsOn(page)?.set(one, linkRef);
        }
      } else if (isPicture)
        this.#insert(
          parent,
          linkRef,
          (kid) => kid instanceof PdfRef && kid.toString() === spot.element.toString(),
          'after',
        );
      else this.#insert(parent, linkRef, (kid) => isContent(kid, content, resolve), 'after');
      link.set('P', parent.element);
    } else {
      const top = this.#top();
      this.#insert(top, linkRef, () => false, 'after');
      link.set('P', top.element);
    }
    if (instead) {
      for (const content of instead.contents) {
        const spot = this.#elementOf(page, content);
        if (!spot || spot.element.toString() === linkRef.toString()) continue;
        this.#removeKid(spot.dict, (kid) => isContent(kid, content, resolve));
        kids.push(PdfNumber.of(content));
        this.#elementsOn(page)?.set(content, linkRef);
      }
      // What stands in for an element is read in place of all that it holds (ISO 32000-1, 14.9.3).
      link.set('Alt', PdfString.fromString(instead.words));
    }
    for (const annotation of annotations) {
      const key = this.#next++;
      kids.push(PdfDict.of({ Type: PdfName.of('OBJR'), Obj: annotation, Pg: page.ref }));
      const dict = resolve(annotation);
      if (dict instanceof PdfDict) dict.set('StructParent', PdfNumber.of(key));
      this.#setParent(key, linkRef);
    }
    link.set('K', kids);
  }

  /** Takes an annotation out of the structure; words that its element held stay where they were. */
  removeLink(annotation: PdfDict): void {
    const { resolve } = this.#file;
    const key = annotation.getNumber('StructParent', resolve)?.value;
    const given = key === undefined ? undefined : this.#parents.get(key);
    const element = resolve(given);
    if (!(element instanceof PdfDict)) return;
    this.#removeKid(element, (kid) => {
      const dict = resolve(kid);
      return dict instanceof PdfDict && resolve(dict.get('Obj')) === annotation;
    });
    const kids = this.#kidsOf(element);
    const leads = kids.some((kid) => {
      const dict = resolve(kid);
      return dict instanceof PdfDict && dict.has('Obj');
    });
    // An element that leads nowhere any more is a piece of its line.
    if (!leads && element.getName('S', resolve)?.value === 'Link') element.set('S', PdfName.of('Span'));
    annotation.delete('StructParent');
  }

  #parentOf({ dict, element }: Spot): Spot {
    const parent = dict.getRef('P');
    const found = this.#file.resolve(parent);
    return parent && found instanceof PdfDict && found !== this.#root
      ? { element: parent, dict: found }
      : { element, dict };
  }

  /** The element at the top: what has no better place stands at its end. */
  #top(): Spot {
    const { resolve } = this.#file;
    const first = this.#kidsOf(this.#root).find(
      (kid) => kid instanceof PdfRef && resolve(kid) instanceof PdfDict,
    );
    const dict = resolve(first);
    if (
      first instanceof PdfRef &&
      dict instanceof PdfDict &&
      dict.getName('S', resolve)?.value === 'Document'
    )
      return { element: first, dict };
    if (this.#rootRef) return { element: this.#rootRef, dict: this.#root };
    return first instanceof PdfRef && dict instanceof PdfDict
      ? { element: first, dict }
      : { element: this.#file.pdf.context.register(this.#root), dict: this.#root };
  }

  #kidsOf(element: PdfDict): PdfObject[] {
    const kids = this.#file.resolve(element.get('K'));
    if (kids instanceof PdfArray) return kids.toArray();
    const one = element.get('K');
    return one ? [one] : [];
  }

  #setKids(element: PdfDict, kids: PdfObject[]): void {
    const given = this.#file.resolve(element.get('K'));
    if (given instanceof PdfArray && element.get('K') instanceof PdfRef) {
      while (given.length > 0) given.pop();
      given.push(...kids);
    } else element.set('K', new PdfArray(kids));
  }

  #insert(
    { dict }: Spot,
    kid: PdfRef,
    isBeside: (kid: PdfObject) => boolean,
    side: 'before' | 'after',
  ): void {
    const kids = this.#kidsOf(dict);
    const at = kids.findIndex(isBeside);
    const place = at < 0 ? kids.length : side === 'after' ? at + 1 : at;
    this.#setKids(dict, kids.toSpliced(place, 0, kid));
  }

  #removeKid(element: PdfDict, isIt: (kid: PdfObject) => boolean): void {
    const kids = this.#kidsOf(element);
    const left = kids.filter((kid) => !isIt(kid));
    if (left.length < kids.length) this.#setKids(element, left);
  }

  /** The elements of the marked contents of a page, by their numbers. */
  #elementsOn({ dict }: FilePage): PdfArray | null {
    const { resolve } = this.#file;
    const key = dict.getNumber('StructParents', resolve)?.value;
    const elements = key === undefined ? null : resolve(this.#parents.get(key));
    return elements instanceof PdfArray ? elements : null;
  }

  #setParent(key: number, element: PdfRef): void {
    const { pdf, resolve } = this.#file;
    this.#parents.set(key, element);
    if (!this.#added) {
      const tree = resolve(this.#root.get('ParentTree'));
      const root = tree instanceof PdfDict ? tree : new PdfDict();
      if (!(tree instanceof PdfDict)) this.#root.set('ParentTree', pdf.context.register(root));
      const kids = resolve(root.get('Kids'));
      const numbers = resolve(root.get('Nums'));
      if (kids instanceof PdfArray) {
        this.#added = new PdfArray();
        const limits = new PdfArray([PdfNumber.of(key), PdfNumber.of(key)]);
        kids.push(pdf.context.register(PdfDict.of({ Limits: limits, Nums: this.#added })));
        this.#limits = limits;
      } else if (numbers instanceof PdfArray) this.#added = numbers;
      else root.set('Nums', (this.#added = new PdfArray()));
    }
    this.#added.push(PdfNumber.of(key), element);
    this.#limits?.set(1, PdfNumber.of(key));
    this.#root.set('ParentTreeNextKey', PdfNumber.of(this.#next));
  }
  #readParents(): void {
    const { resolve, pages } = this.#file;
    for (const [key, value] of pairsIn(this.#root.get('ParentTree'), 'Nums', resolve))
      if (key instanceof PdfNumber) this.#parents.set(key.value, value);
    const told = this.#root.getNumber('ParentTreeNextKey', resolve)?.value ?? 0;
    const used = pages.map(({ dict }) => dict.getNumber('StructParents', resolve)?.value ?? -1);
    let last = told - 1;
    for (const key of [...this.#parents.keys(), ...used]) last = Math.max(last, key);
    this.#next = last + 1;
  }
}

/** Whether a kid of an element is a marked content of the page, by its number or as a reference to it. */
function isContent(kid: PdfObject, content: number, resolve: GroundFile['resolve']): boolean {
  const object = resolve(kid);
  if (object instanceof PdfNumber) return object.value === content;
  return (
    object instanceof PdfDict &&
    object.getName('Type', resolve)?.value === 'MCR' &&
    object.getNumber('MCID', resolve)?.value === content
  );
}
