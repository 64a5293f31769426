import type { ConstructionPlan, Drafted, Step } from '@/core/construction';
import type { View } from '@/core/record';
import { layerOf, type Layer, type Stroke, type Word } from './drawing';
import { crossAt } from './picture-layers';

/** The strokes one step draws, on the sheet. */
export function stepStrokes(view: View, step: Step, drafted: Drafted): readonly Stroke[] {
  const { x, y } = view.centreOfVisionOnSheet;
  const { width, height } = view.sheet;
  const faint = { weight: 'faint', role: { is: 'construction' } } as const;
  const ruled = step.strokes.flatMap((stroke): Stroke[] => {
    const [from, to] = [drafted.marks.get(stroke.from), drafted.marks.get(stroke.to)];
    return from && to
      ? [
          {
            ...faint,
            ...{ x0: x + from.u, y0: y + from.v, x1: x + to.u, y1: y + to.v },
            family: stroke.family,
            of: stroke.line,
          },
        ]
      : [];
  });
  const across = step.across.flatMap(({ line, through, way }): Stroke[] => {
    const mark = drafted.marks.get(through);
    if (!mark) return [];
    return [
      way === 'level'
        ? { ...faint, x0: 0, y0: y + mark.v, x1: width, y1: y + mark.v, family: 'level', of: line }
        : { ...faint, x0: x + mark.u, y0: 0, x1: x + mark.u, y1: height, family: 'vertical', of: line },
    ];
  });
  const uprights = step.uprights.flatMap(({ line, foot, reaches }): Stroke[] => {
    const mark = drafted.marks.get(foot);
    if (!mark) return [];
    const reached = reaches.flatMap((id) => drafted.marks.get(id)?.v ?? []);
    return [
      {
        ...faint,
        x0: x + mark.u,
        y0: y + Math.min(mark.v, ...reached),
        x1: x + mark.u,
        y1: y + Math.max(mark.v, ...reached),
        family: 'vertical',
        of: line,
      },
    ];
  });
  const kept = step.keeps.flatMap((keep): Stroke[] => {
    const [from, to] = [drafted.marks.get(keep.from), drafted.marks.get(keep.to)];
    if (!from || !to) return [];
    return keep.parts.map(([start, end]) => ({
      x0: x + from.u + (to.u - from.u) * start,
      y0: y + from.v + (to.v - from.v) * start,
      x1: x + from.u + (to.u - from.u) * end,
      y1: y + from.v + (to.v - from.v) * end,
      family: 'sheet',
      weight: 'firm',
      role: { is: 'construction' },
      of: keep.edge,
    }));
  });
  return [...ruled, ...across, ...uprights, ...kept];
}

/** Construction up to and with a step: its strokes, marks and their names. */
export function constructionLayer(view: View, plan: ConstructionPlan, drafted: Drafted, steps: number): Layer {
  const { x, y } = view.centreOfVisionOnSheet;
  const done = plan.steps.slice(0, steps);
  const marks = done.flatMap((step) =>
    step.operations.flatMap((one) => ('mark' in one && plan.labels[one.mark] ? [one.mark] : [])),
  );
  const words: Word[] = [];
  const crosses: Stroke[] = [];
  for (const mark of marks) {
    const at = drafted.marks.get(mark);
    if (!at) continue;
    crosses.push(...crossAt(x + at.u, y + at.v, 1, mark, { is: 'construction' }));
    words.push({ x: x + at.u + 1.2, y: y + at.v + 1.2, text: plan.labels[mark] ?? '', heightMm: 2.8, anchor: 'start' });
  }
  return layerOf({ layer: 'construction' }, 'Construction', {
    strokes: [...done.flatMap((step) => stepStrokes(view, step, drafted)), ...crosses],
    words,
  });
}
