import { Fragment, Slice, type Node, type Schema } from 'prosemirror-model';
import { Step, StepResult, type Mappable, type Transform } from 'prosemirror-transform';
import type { LinkArea } from './area.js';
import { attrsOf } from './attrs.js';

interface AreaStepJson {
  pos: number;
  before: LinkArea | null;
  after: LinkArea | null;
  index: number;
}

/**
 * A change to one link area of a figure, told by the area's id: made (`before` is null), changed, or taken away (`after` is
 * null). The list of areas is one attribute; as a whole, it would lose the area that somebody else makes at the same time.
 */
export class AreaStep extends Step {
  constructor(
    readonly pos: number,
    readonly before: LinkArea | null,
    readonly after: LinkArea | null,
    /** Where it stands in the list. */
    readonly index: number,
  ) {
    super();
  }

  get id(): string {
    return (this.after ?? this.before)?.id ?? '';
  }

  apply(doc: Node): StepResult {
    const figure = doc.nodeAt(this.pos);
    if (figure?.type.name !== 'figure') return StepResult.fail('there is no figure here');
    const { areas } = attrsOf.figure(figure);
    const at = areas.findIndex(({ id }) => id === this.id);
    if (at < 0 && this.before) return StepResult.fail('the area is not there any more');
    const others = areas.filter(({ id }) => id !== this.id);
    const place = at < 0 ? Math.min(this.index, others.length) : at;
    const now = this.after ? others.toSpliced(place, 0, this.after) : others;
    const changed = figure.type.create({ ...figure.attrs, areas: now }, null, figure.marks);
    const slice = new Slice(Fragment.from(changed), 0, figure.isLeaf ? 0 : 1);
    return StepResult.fromReplace(doc, this.pos, this.pos + 1, slice);
  }

  invert(): AreaStep {
    return new AreaStep(this.pos, this.after, this.before, this.index);
  }

  map(mapping: Mappable): AreaStep | null {
    const { pos, deletedAfter } = mapping.mapResult(this.pos, 1);
    return deletedAfter ? null : new AreaStep(pos, this.before, this.after, this.index);
  }

  toJSON() {
    const { pos, before, after, index } = this;
    return { stepType: 'area', pos, before, after, index };
  }

  static override fromJSON(_schema: Schema, { pos, before, after, index }: AreaStepJson): AreaStep {
    return new AreaStep(pos, before, after, index);
  }
}

Step.jsonID('area', AreaStep);

/** Adds the steps after which the figure at a position has these areas: one for each that is made, changed or taken away. */
export function setAreas(transform: Transform, at: number, areas: readonly LinkArea[]): void {
  const figure = transform.doc.nodeAt(at);
  if (figure?.type.name !== 'figure') throw new RangeError(`no figure at position ${at}`);
  const old = attrsOf.figure(figure).areas;
  const byId = new Map(areas.map((area) => [area.id, area]));
  if (new Set(old.map(({ id }) => id)).size < old.length) {
    transform.setNodeAttribute(at, 'areas', areas);
    return;
  }
  old.forEach((area, index) => {
    if (!byId.has(area.id)) transform.step(new AreaStep(at, area, null, index));
  });
  areas.forEach((area, index) => {
    const before = old.find(({ id }) => id === area.id) ?? null;
    if (before === area || JSON.stringify(before) === JSON.stringify(area)) return;
    transform.step(new AreaStep(at, before, area, index));
  });
}
