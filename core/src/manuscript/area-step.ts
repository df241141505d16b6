import { Fragment, Slice, type Node, type Schema } from 'prosemirror-model';
import { Step, StepResult, type Mappable, type Transform } from 'prosemirror-transform';
import type { LinkArea } from './area.js';
import { hasAreas, type PageSpot } from './page.js';

/** The lists that a figure or a page has, and what stands in each. */
interface Lists {
  areas: LinkArea;
  spots: PageSpot;
}
type ListName = keyof Lists;
type Item = Lists[ListName];

interface AreaStepJson {
  pos: number;
  before: Item | null;
  after: Item | null;
  index: number;
  list?: ListName;
}

const listOf = (node: Node, name: ListName): readonly Item[] => (node.attrs[name] ?? []) as readonly Item[];

/**
 * A change to one link area of a figure or a page, or to one spot of a page, told by its id: made (`before` is null), changed,
 * or taken away (`after` is null). The list is one attribute; as a whole, it would lose what somebody else makes at the same time.
 */
export class AreaStep extends Step {
  constructor(
    readonly pos: number,
    readonly before: Item | null,
    readonly after: Item | null,
    /** Where it stands in the list. */
    readonly index: number,
    readonly list: ListName = 'areas',
  ) {
    super();
  }

  get id(): string {
    return (this.after ?? this.before)?.id ?? '';
  }

  apply(doc: Node): StepResult {
    const node = doc.nodeAt(this.pos);
    if (!node || !hasAreas(node) || !(this.list in node.attrs))
      return StepResult.fail('there is no figure or page here');
    const items = listOf(node, this.list);
    const at = items.findIndex(({ id }) => id === this.id);
    if (at < 0 && this.before) return StepResult.fail('it is not there any more');
    const others = items.filter(({ id }) => id !== this.id);
    const place = at < 0 ? Math.min(this.index, others.length) : at;
    const now = this.after ? others.toSpliced(place, 0, this.after) : others;
    const changed = node.type.create({ ...node.attrs, [this.list]: now }, null, node.marks);
    const slice = new Slice(Fragment.from(changed), 0, node.isLeaf ? 0 : 1);
    return StepResult.fromReplace(doc, this.pos, this.pos + 1, slice);
  }

  invert(): AreaStep {
    return new AreaStep(this.pos, this.after, this.before, this.index, this.list);
  }

  map(mapping: Mappable): AreaStep | null {
    const { pos, deletedAfter } = mapping.mapResult(this.pos, 1);
    return deletedAfter ? null : new AreaStep(pos, this.before, this.after, this.index, this.list);
  }

  toJSON() {
    const { pos, before, after, index, list } = this;
    return { stepType: 'area', pos, before, after, index, ...(list === 'areas' ? {} : { list }) };
  }

  static override fromJSON(_schema: Schema, { pos, before, after, index, list }: AreaStepJson): AreaStep {
    return new AreaStep(pos, before, after, index, list);
  }
}

Step.jsonID('area', AreaStep);

/** Adds the steps after which the figure or page at a position has these areas: one for each that is made, changed or taken away. */
export function setAreas(transform: Transform, at: number, areas: readonly LinkArea[]): void {
  setItems(transform, at, 'areas', areas);
}

/** The same for the spots of the page at a position. */
export function setSpots(transform: Transform, at: number, spots: readonly PageSpot[]): void {
  setItems(transform, at, 'spots', spots);
}

function setItems<Name extends ListName>(
  transform: Transform,
  at: number,
  name: Name,
  items: readonly Lists[Name][],
): void {
  const node = transform.doc.nodeAt(at);
  if (!node || !hasAreas(node)) throw new RangeError(`no figure or page at position ${at}`);
  const old = listOf(node, name);
  const byId = new Map<string, Item>(items.map((item) => [item.id, item]));
  if (new Set(old.map(({ id }) => id)).size < old.length) {
    transform.setNodeAttribute(at, name, items);
    return;
  }
  const oldById = new Map(old.map((item) => [item.id, item]));
  old.forEach((item, index) => {
    if (!byId.has(item.id)) transform.step(new AreaStep(at, item, null, index, name));
  });
  items.forEach((item, index) => {
    const before = oldById.get(item.id) ?? null;
    if (before === item || JSON.stringify(before) === JSON.stringify(item)) return;
    transform.step(new AreaStep(at, before, item, index, name));
  });
}
