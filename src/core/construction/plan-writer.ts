import type { Id } from '@/core/record';
import type { PicturePoint } from '@/core/space';
import type { Millimetres, PaperMillimetres } from '@/core/units';
import type { LineFamily } from '@/core/view';
import type { LineId, MarkId, Operation, Sense } from './operation';
import type {
  ClosingCheck,
  ConstructionPlan,
  Saying,
  Step,
  StepAcross,
  StepMeasure,
  StepPart,
  StepStroke,
  StepUpright,
} from './plan';

interface Draft {
  readonly id: Id;
  readonly part: StepPart;
  readonly says: Saying;
  readonly because: Saying;
  readonly operations: Operation[];
  readonly strokes: StepStroke[];
  readonly across: StepAcross[];
  readonly uprights: StepUpright[];
  readonly measures: StepMeasure[];
  keeps: Step['keeps'];
}

export const senseOf = (signed: number): Sense => (signed < 0 ? 'left' : 'right');

/** Writes a plan step by step; the operations go to the step begun last. */
export class PlanWriter {
  private readonly steps: Draft[] = [];
  private readonly checks: ClosingCheck[] = [];
  private readonly labels: Record<MarkId, string> = {};

  step(id: Id, part: StepPart, says: Saying, because: Saying = []): this {
    this.steps.push({
      id,
      part,
      says,
      because,
      operations: [],
      strokes: [],
      across: [],
      uprights: [],
      measures: [],
      keeps: [],
    });
    return this;
  }

  take(mark: MarkId, label: string, point: PicturePoint): this {
    this.labels[mark] = label;
    return this.operation({ op: 'take', mark, point });
  }

  /** Lays off a signed paper distance along a level line (right positive) or an upright (up positive). */
  layOff(
    mark: MarkId,
    label: string,
    where: { readonly on: LineId; readonly from: MarkId; readonly upright?: true },
    paperMm: PaperMillimetres,
    real: Millimetres | null,
  ): this {
    this.labels[mark] = label;
    const toward: Sense = where.upright ? (paperMm < 0 ? 'down' : 'up') : senseOf(paperMm);
    const distance = Math.abs(paperMm);
    this.current().measures.push({
      mark,
      from: where.from,
      on: where.on,
      toward,
      paperMm: distance,
      real: real === null ? null : Math.abs(real),
    });
    return this.operation({ op: 'lay-off', mark, on: where.on, from: where.from, distance, toward });
  }

  rule(line: LineId, through: readonly [MarkId, MarkId]): this {
    return this.operation({ op: 'rule', line, through });
  }

  level(line: LineId, through: MarkId): this {
    return this.operation({ op: 'level', line, through });
  }

  /** A level or an upright drawn across the whole sheet. */
  across(line: LineId, through: MarkId, way: StepAcross['way']): this {
    this.current().across.push({ line, through, way });
    return this.operation({ op: way, line, through });
  }

  /** An upright, drawn from its foot to the marks it must reach. */
  upright(line: LineId, through: MarkId, reaches: readonly MarkId[] = []): this {
    if (reaches.length > 0) this.current().uprights.push({ line, foot: through, reaches });
    return this.operation({ op: 'upright', line, through });
  }

  cross(mark: MarkId, label: string, lines: readonly [LineId, LineId]): this {
    if (label !== '') this.labels[mark] = label;
    return this.operation({ op: 'cross', mark, lines });
  }

  stroke(line: LineId, from: MarkId, to: MarkId, family: LineFamily | 'measuring'): this {
    this.current().strokes.push({ line, from, to, family });
    return this;
  }

  keep(keeps: Step['keeps']): this {
    this.current().keeps = keeps;
    return this;
  }

  check(mark: MarkId, byOtherRoute: MarkId): this {
    this.checks.push({ step: this.current().id, mark, byOtherRoute });
    return this;
  }

  finish(pieceId: Id, method: ConstructionPlan['method']): ConstructionPlan {
    return { pieceId, method, steps: this.steps, checks: this.checks, labels: this.labels };
  }

  private operation(operation: Operation): this {
    this.current().operations.push(operation);
    return this;
  }

  private current(): Draft {
    const last = this.steps[this.steps.length - 1];
    if (!last) throw new Error('A plan begins with a step');
    return last;
  }
}
