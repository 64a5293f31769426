import { makes, PENCIL_LINE_MM, strokesOf, type MarkId, type WholeStep } from '@/core/construction';
import type { Id, View } from '@/core/record';
import { projectPoint, type SetUp } from '@/core/view';
import { stepStrokes, type Constructed } from './construction-layer';
import type { Stroke } from './drawing';

/** Places one after another, mm of the sheet (of the plan where it lies there): x, y, x, y … */
export type Chain = readonly number[];

/**
 * A stroke of a plan as it lies on the paper, by the name it is ticked off by. A mark has one chain of one place; a construction line, which may be carried
 * on, one from end to end; what stays those of its parts that are seen.
 */
export interface LaidStroke {
  readonly id: string;
  readonly is: 'mark' | 'line' | 'stays';
  /** As it stands beside it on the paper, or the thing of the record that it is a line of. */
  readonly called: string;
  readonly chains: readonly Chain[];
  /** Of a mark: the ends of lines that stay which it is, as edge and end. */
  readonly ends?: readonly string[];
}

const NO_ENDS: readonly string[] = [];

/** All that a whole plan puts on the paper, in the order of its steps. @param setUp of the view: by it what is left to the eye is placed. */
export function laidStrokes(view: View, setUp: SetUp, constructed: Constructed): readonly LaidStroke[] {
  const { plan, paper } = constructed;
  const { x, y } = view.centreOfVisionOnSheet;
  const endsOf = new Map<MarkId, string[]>();
  for (const { edge, from, to } of plan.keeps)
    for (const [mark, end] of [
      [from, `${edge} from`],
      [to, `${edge} to`],
    ] as const) {
      const list = endsOf.get(mark);
      if (list) list.push(end);
      else endsOf.set(mark, [end]);
    }
  const thingOf = new Map(
    [...plan.keeps, ...plan.keptCurves, ...plan.byEye].map(({ edge, of }): readonly [Id, Id] => [edge, of]),
  );
  const markAt = (mark: MarkId): Chain => {
    const found = paper.marks.get(mark);
    if (!found) return [];
    const { at, paper: on } = found;
    return on === 'plan' && paper.planAt ? [at.u - paper.planAt.u, at.v - paper.planAt.v] : [x + at.u, y + at.v];
  };
  /** What lies on the plan is told where it lies there, wherever that is shown. */
  const onOwnPaper = (line: string, chains: readonly Chain[]): readonly Chain[] => {
    const { planAt } = paper;
    if (!planAt || paper.lines.get(line)?.paper !== 'plan') return chains;
    return chains.map((chain) => chain.map((value, i) => value - (i % 2 === 0 ? x + planAt.u : y + planAt.v)));
  };
  const ofStep = (step: WholeStep): readonly LaidStroke[] => {
    const drawn = new Map<string, Stroke[]>();
    for (const one of stepStrokes(view, constructed, step)) {
      const key = one.weight === 'firm' ? `firm ${one.of}` : (one.of ?? '');
      const list = drawn.get(key);
      if (list) list.push(one);
      else drawn.set(key, [one]);
    }
    const eye = new Map(plan.byEye.flatMap((one) => (one.step === step.id ? [[`by eye ${one.edge}`, one]] : [])));
    const marks = new Set(step.operations.flatMap((one) => makes(one).marks));
    const curves = new Set(step.operations.flatMap((one) => (one.op === 'curve' ? [one.curve] : [])));
    return strokesOf(plan, step).map((id): LaidStroke => {
      if (marks.has(id))
        return {
          ...{ id, is: 'mark', called: plan.labels.get(id) ?? '', chains: [markAt(id)] },
          ends: endsOf.get(id) ?? NO_ENDS,
        };
      const left = eye.get(id);
      if (left) {
        const parts = left.seen.map((part) =>
          part.flatMap((p) => {
            const at = projectPoint(setUp, p);
            return at ? [x + at.u, y + at.v] : [];
          }),
        );
        return { id, is: 'stays', called: left.of, chains: worthDrawing(parts) };
      }
      const strokes = drawn.get(id) ?? [];
      const firm = strokes[0]?.weight === 'firm' || curves.has(id);
      const edge = strokes[0]?.of ?? '';
      return {
        id,
        is: firm ? 'stays' : 'line',
        called: thingOf.get(edge) ?? plan.lineNames.get(id) ?? '',
        chains: firm ? worthDrawing(chained(strokes)) : onOwnPaper(id, chained(strokes)),
      };
    });
  };
  return plan.steps.flatMap(ofStep);
}

/** Parts longer than a pencil's line is broad: a shorter one is drawn by nobody, unless it is all that there is. */
function worthDrawing(parts: readonly Chain[]): readonly Chain[] {
  const long = parts.filter((chain) => lengthOf(chain) >= PENCIL_LINE_MM);
  return long.length > 0 ? long : parts;
}

function lengthOf(chain: Chain): number {
  let mm = 0;
  for (let i = 2; i + 1 < chain.length; i += 2)
    mm += Math.hypot((chain[i] ?? 0) - (chain[i - 2] ?? 0), (chain[i + 1] ?? 0) - (chain[i - 1] ?? 0));
  return mm;
}

/** Strokes that begin where the one before ends, as one chain. */
function chained(strokes: readonly Stroke[]): readonly Chain[] {
  const chains: number[][] = [];
  for (const { x0, y0, x1, y1 } of strokes) {
    const last = chains.at(-1);
    if (last && last.at(-2) === x0 && last.at(-1) === y0) last.push(x1, y1);
    else chains.push([x0, y0, x1, y1]);
  }
  return chains;
}
