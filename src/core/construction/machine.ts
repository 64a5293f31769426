import { err, invariant, ok, type Result } from '@/core/base';
import { lineThrough, meet, type Line } from '@/core/geometry';
import { picturePoint, type PicturePoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';

export type MarkId = string;
export type LineId = string;
export type Sense = 'right' | 'left' | 'up' | 'down';

/**
 * What a draughtsman does with pencil, straightedge, set square and scale rule. Each operation names earlier marks and lines by
 * id; the only figures that enter are paper distances and the set-out's points.
 */
export type Operation =
  /** A point of the set-out: its place on the sheet was laid down before the first line of the room. */
  | { readonly op: 'take'; readonly mark: MarkId; readonly point: PicturePoint }
  /** Lay a distance off along a level or upright line from a mark on it. */
  | {
      readonly op: 'lay-off';
      readonly mark: MarkId;
      readonly on: LineId;
      readonly from: MarkId;
      readonly distance: PaperMillimetres;
      readonly toward: Sense;
    }
  /** Rule through two marks. */
  | { readonly op: 'rule'; readonly line: LineId; readonly through: readonly [MarkId, MarkId] }
  /** Parallel rule: a level line through a mark. */
  | { readonly op: 'level'; readonly line: LineId; readonly through: MarkId }
  /** Set square on the parallel rule: an upright through a mark. */
  | { readonly op: 'upright'; readonly line: LineId; readonly through: MarkId }
  /** Where two lines cross. */
  | { readonly op: 'cross'; readonly mark: MarkId; readonly lines: readonly [LineId, LineId] };

export interface MachineFault {
  readonly reason: 'lines-do-not-cross' | 'marks-coincide' | 'measure-along-slope';
  /** Index of the operation that could not be done. */
  readonly operation: number;
  readonly message: string;
}

/** What lies on the paper after the operations: picture mm. */
export interface Drafted {
  readonly marks: ReadonlyMap<MarkId, PicturePoint>;
  readonly lines: ReadonlyMap<LineId, Line>;
  /** Angle of crossing of each crossed mark, degrees: flat crossings carry little certainty. */
  readonly crossingDeg: ReadonlyMap<MarkId, number>;
}

/** Moves one mark after it is made: a slip of the hand, for tests and for studying errors. */
export interface Slip {
  readonly mark: MarkId;
  readonly du: PaperMillimetres;
  readonly dv: PaperMillimetres;
}

/** The virtual drafting machine: carries the operations out, one after another. */
export function draft(operations: readonly Operation[], slips: readonly Slip[] = []): Result<Drafted, MachineFault> {
  const marks = new Map<MarkId, PicturePoint>();
  const lines = new Map<LineId, Line>();
  const crossingDeg = new Map<MarkId, number>();
  const markAt = (id: MarkId): PicturePoint => {
    const mark = marks.get(id);
    invariant(mark, `mark ${id} was made before it is used`);
    return mark;
  };
  const lineOf = (id: LineId): Line => {
    const line = lines.get(id);
    invariant(line, `line ${id} was ruled before it is used`);
    return line;
  };
  const put = (id: MarkId, u: number, v: number): void => {
    invariant(!marks.has(id), `mark ${id} is made once`);
    const slip = slips.find((one) => one.mark === id);
    marks.set(id, picturePoint(u + (slip?.du ?? 0), v + (slip?.dv ?? 0)));
  };
  const fault = (reason: MachineFault['reason'], operation: number, message: string): Result<never, MachineFault> =>
    err({ reason, operation, message });

  for (const [index, step] of operations.entries()) {
    switch (step.op) {
      case 'take':
        put(step.mark, step.point.u, step.point.v);
        break;
      case 'lay-off': {
        const from = markAt(step.from);
        const along = lineOf(step.on);
        const level = along.a === 0;
        if (!level && along.b !== 0)
          return fault('measure-along-slope', index, 'Only level and upright lines in the picture plane are to scale.');
        const signed = step.toward === 'left' || step.toward === 'down' ? -step.distance : step.distance;
        put(step.mark, from.u + (level ? signed : 0), from.v + (level ? 0 : signed));
        break;
      }
      case 'rule': {
        const [p, q] = [markAt(step.through[0]), markAt(step.through[1])];
        const line = lineThrough({ x: p.u, y: p.v }, { x: q.u, y: q.v });
        if (line === 'points-coincide')
          return fault(
            'marks-coincide',
            index,
            `The marks ${step.through.join(' and ')} coincide: nothing to rule along.`,
          );
        lines.set(step.line, line);
        break;
      }
      case 'level':
        lines.set(step.line, { a: 0, b: 1, c: markAt(step.through).v });
        break;
      case 'upright':
        lines.set(step.line, { a: 1, b: 0, c: markAt(step.through).u });
        break;
      case 'cross': {
        const meeting = meet(lineOf(step.lines[0]), lineOf(step.lines[1]));
        if (meeting.kind !== 'point')
          return fault('lines-do-not-cross', index, `The lines ${step.lines.join(' and ')} do not cross.`);
        crossingDeg.set(step.mark, meeting.angleDeg);
        put(step.mark, meeting.x, meeting.y);
        break;
      }
    }
  }
  return ok({ marks, lines, crossingDeg });
}

/** The marks that a mark's place follows from: itself and all before it that it rests on. */
export function restsOn(operations: readonly Operation[], mark: MarkId): ReadonlySet<MarkId> {
  const lineMarks = new Map<LineId, ReadonlySet<MarkId>>();
  const markMarks = new Map<MarkId, ReadonlySet<MarkId>>();
  const marksOf = (...sets: (ReadonlySet<MarkId> | undefined)[]): Set<MarkId> =>
    new Set(sets.flatMap((set) => [...(set ?? [])]));
  for (const step of operations) {
    switch (step.op) {
      case 'take':
        markMarks.set(step.mark, new Set([step.mark]));
        break;
      case 'lay-off':
        markMarks.set(step.mark, marksOf(markMarks.get(step.from), new Set([step.mark])));
        break;
      case 'rule':
        lineMarks.set(step.line, marksOf(...step.through.map((one) => markMarks.get(one))));
        break;
      case 'level':
      case 'upright':
        lineMarks.set(step.line, marksOf(markMarks.get(step.through)));
        break;
      case 'cross':
        markMarks.set(step.mark, marksOf(...step.lines.map((one) => lineMarks.get(one)), new Set([step.mark])));
        break;
    }
  }
  return markMarks.get(mark) ?? new Set();
}
