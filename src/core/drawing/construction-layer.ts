import {
  makes,
  type LineId,
  type MarkId,
  type Operation,
  type PlanOnPaper,
  type WholePlan,
  type WholeStep,
} from '@/core/construction';
import { conicThrough, smoothThrough, type Vector2 } from '@/core/geometry';
import type { View } from '@/core/record';
import type { PicturePoint } from '@/core/space';
import { layerOf, type Layer, type Stroke, type StrokeFamily, type Word } from './drawing';
import { crossAt } from './picture-layers';
import { SAME_MARK_MM } from './settle-words';

/** A plan and what it puts on the paper. */
export interface Constructed {
  readonly plan: WholePlan;
  readonly paper: PlanOnPaper;
}

/** Half of a short dash at a mark, mm. */
const DASH_MM = 1.5;
/** Steps of a curve between two of its marks. */
const CHORDS = 12;
/** A length this small is a mark, mm. */
const NO_LENGTH_MM = 1e-6;

const CONSTRUCTION = { is: 'construction' } as const;

/** The family of a line by the tool it is drawn with, and by what the point it runs to is to it. */
function familyOfLine(one: Operation, { roles }: PlanOnPaper): StrokeFamily {
  if (one.op === 'level') return 'level';
  if (one.op === 'upright') return 'vertical';
  if (one.op !== 'rule') return 'elsewhere';
  for (const mark of one.through)
    switch (roles.get(mark)) {
      case 'vanishing-right':
        return 'right';
      case 'vanishing-left':
        return 'left';
      case 'vanishing-centre':
        return 'centre';
      case 'measuring':
        return 'measuring';
      case 'station':
        return 'ray';
      case undefined:
    }
  return 'elsewhere';
}

/** The mark a line is drawn through; of two the first, the other being the point it runs to. */
const markOn = (one: Extract<Operation, { readonly line: LineId }>): MarkId =>
  one.op === 'rule' ? one.through[0] : one.through;

/** The strokes one step draws, on the sheet: lines as far as they are needed, curves through their marks, and what stays. */
export function stepStrokes(view: View, { plan, paper }: Constructed, step: WholeStep): readonly Stroke[] {
  const { x, y } = view.centreOfVisionOnSheet;
  const on = (mark: MarkId): PicturePoint | undefined => paper.marks.get(mark)?.at;
  const strokes: Stroke[] = [];
  const draw = (
    p: { readonly u: number; readonly v: number },
    q: { readonly u: number; readonly v: number },
    pen: Pick<Stroke, 'family' | 'weight'>,
    of: string,
  ): void => {
    if (Math.hypot(q.u - p.u, q.v - p.v) < NO_LENGTH_MM) return;
    strokes.push({ x0: x + p.u, y0: y + p.v, x1: x + q.u, y1: y + q.v, ...pen, role: CONSTRUCTION, of });
  };
  const chain = (
    {
      through,
      closed,
      tangents,
    }: Pick<Extract<Operation, { readonly op: 'curve' }>, 'through' | 'closed' | 'tangents'>,
    [from, to]: readonly [number, number],
    pen: Pick<Stroke, 'family' | 'weight'>,
    of: string,
  ): void => {
    const points = through.map((mark) => on(mark)).map((at) => ({ x: at?.u ?? 0, y: at?.v ?? 0 }));
    const touched = tangents.map((line) => (line === null ? undefined : paper.lines.get(line)?.run));
    const runs = touched.map((run) => (run ? { x: run.u, y: run.v } : null));
    const curve = conicThrough(points, closed, runs) ?? smoothThrough(points, closed);
    const count = Math.max(1, Math.ceil((to - from) * CHORDS));
    const places = Array.from({ length: count + 1 }, (_, i) => curve(from + ((to - from) * i) / count));
    places.slice(1).forEach((q, i) => {
      const p = places[i] ?? q;
      draw({ u: p.x, v: p.y }, { u: q.x, v: q.y }, pen, of);
    });
  };
  for (const one of step.operations) {
    if (one.op === 'curve') {
      const whole = [0, one.through.length - (one.closed ? 0 : 1)] as const;
      chain(one, whole, { family: 'round', weight: 'faint' }, one.curve);
    }
    if (!('line' in one)) continue;
    const pen = { family: familyOfLine(one, paper), weight: 'faint' } as const;
    const [p, q] = (plan.extents.get(one.line) ?? []).map(on);
    if (p && q) draw(p, q, pen, one.line);
    // On a line that no other mark lies on a dash at its own is all that is wanted.
    const [own, line] = [on(markOn(one)), paper.lines.get(one.line)];
    if (!p && own && line) {
      const along = (s: number) => ({ u: own.u + line.run.u * s, v: own.v + line.run.v * s });
      draw(along(-DASH_MM), along(DASH_MM), pen, one.line);
    }
  }
  const firm = { family: 'sheet', weight: 'firm' } as const;
  for (const { edge, from, to, seen } of plan.keeps.filter((one) => one.step === step.id)) {
    const [p, q] = [on(from), on(to)];
    if (!p || !q) continue;
    const at = (s: number) => ({ u: p.u + (q.u - p.u) * s, v: p.v + (q.v - p.v) * s });
    for (const [s, t] of seen) draw(at(s), at(t), firm, edge);
  }
  for (const { edge, curve, seen } of plan.keptCurves.filter((one) => one.step === step.id)) {
    const drawn = paper.curves.get(curve);
    if (drawn) for (const part of seen) chain(drawn, part, firm, edge);
  }
  return strokes;
}

/** Marks a step makes and marks it uses: those one has to find on the paper for it. */
export function marksAtHand(step: WholeStep, { plan }: Constructed): ReadonlySet<MarkId> {
  const marks = new Set<MarkId>();
  for (const one of step.operations) {
    if ('mark' in one) marks.add(one.mark);
    if ('from' in one) marks.add(one.from);
    if (one.op === 'rule' || one.op === 'curve') for (const mark of one.through) marks.add(mark);
    if (one.op === 'level' || one.op === 'upright' || one.op === 'parallel') marks.add(one.through);
    if (one.op === 'transfer') for (const mark of one.between) marks.add(mark);
    if (one.op === 'strip') for (const mark of [...one.zero, ...one.marks.flat()]) marks.add(mark);
  }
  for (const keep of plan.keeps.filter((one) => one.step === step.id)) marks.add(keep.from).add(keep.to);
  return marks;
}

/** Words beside marks, mm. */
const WORD_MM = 2.8;
const CROSS_MM = 1;

/**
 * Construction up to and with a step: its strokes and marks, and the names of the marks that the last of the steps is about. @param marked what bears
 * a cross on the sheet already, with its name. @param names which marks are named. What lies on a plan is on a paper of its own.
 */
export function constructionLayer(
  view: View,
  constructed: Constructed,
  steps: number,
  marked: readonly Vector2[] = [],
  names: 'of-the-last' | 'all-marks' = 'of-the-last',
): Layer {
  const { plan, paper } = constructed;
  const { x, y } = view.centreOfVisionOnSheet;
  const done = plan.steps.slice(0, steps);
  const crosses = done.flatMap((step) =>
    step.operations.flatMap((one) =>
      makes(one).marks.flatMap((mark) => {
        const drawn = paper.marks.get(mark);
        if (drawn?.paper !== 'picture') return [];
        const { at } = drawn;
        const stands = marked.some((other) => Math.hypot(other.x - x - at.u, other.y - y - at.v) < SAME_MARK_MM);
        return stands ? [] : crossAt(x + at.u, y + at.v, CROSS_MM, mark, CONSTRUCTION);
      }),
    ),
  );
  const last = done.at(-1);
  const named = (names === 'all-marks' ? done : last ? [last] : []).flatMap((step) => [
    ...marksAtHand(step, constructed),
  ]);
  const words = [...new Set(named)].flatMap((mark): Word[] => {
    const drawn = paper.marks.get(mark);
    const text = plan.labels.get(mark);
    if (drawn?.paper !== 'picture' || !text) return [];
    const { at } = drawn;
    const place = { x: x + at.u, y: y + at.v };
    return [
      {
        ...{ x: place.x + WORD_MM * 0.5, y: place.y + WORD_MM * 0.5, text, heightMm: WORD_MM, anchor: 'start' },
        free: { where: 'beside', mark: place },
      },
    ];
  });
  return layerOf({ layer: 'construction' }, 'Construction', {
    strokes: [
      ...done
        .flatMap((step) => stepStrokes(view, constructed, step))
        .filter(({ of }) => paper.lines.get(of)?.paper !== 'plan'),
      ...crosses,
    ],
    words,
  });
}
