import type { ConstructionPlan, Drafted, Step } from '@/core/construction';
import type { View } from '@/core/record';
import type { Layer, Stroke, Word } from './drawing';
import { crossAt } from './picture-layers';

const GROUND_STROKES = new Set(['horizon', 'ground-line', 'centre-line']);

/** The strokes one step draws, on the sheet. */
export function stepStrokes(view: View, step: Step, drafted: Drafted): readonly Stroke[] {
  const { x, y } = view.centreOfVisionOnSheet;
  const ruled = step.strokes.flatMap((stroke): Stroke[] => {
    const [from, to] = [drafted.marks.get(stroke.from), drafted.marks.get(stroke.to)];
    return from && to
      ? [
          {
            x0: x + from.u,
            y0: y + from.v,
            x1: x + to.u,
            y1: y + to.v,
            family: stroke.family,
            weight: 'faint',
            of: stroke.line,
          },
        ]
      : [];
  });
  // Lines ruled across the sheet, and uprights, which are drawn as long as they are needed: to the marks that later lie on them.
  const across = step.operations.flatMap((one): Stroke[] => {
    if (one.op === 'level' && GROUND_STROKES.has(one.line)) {
      const mark = drafted.marks.get(one.through);
      return mark
        ? [
            {
              x0: 0,
              y0: y + mark.v,
              x1: view.sheet.width,
              y1: y + mark.v,
              family: 'level',
              weight: 'faint',
              of: one.line,
            },
          ]
        : [];
    }
    if (one.op !== 'upright') return [];
    const mark = drafted.marks.get(one.through);
    if (!mark) return [];
    if (GROUND_STROKES.has(one.line))
      return [
        {
          x0: x + mark.u,
          y0: 0,
          x1: x + mark.u,
          y1: view.sheet.height,
          family: 'vertical',
          weight: 'faint',
          of: one.line,
        },
      ];
    if (one.line === 'height-line') return [];
    const corner = one.line.replace('upright-', '');
    const reached = [...drafted.marks]
      .filter(([id]) => id.endsWith(`/box/${corner}-top`) || id.endsWith(`/box/${corner}-bottom`))
      .map(([, at]) => at.v);
    return [
      {
        x0: x + mark.u,
        y0: y + Math.min(mark.v, ...reached),
        x1: x + mark.u,
        y1: y + Math.max(mark.v, ...reached),
        family: 'vertical',
        weight: 'faint',
        of: one.line,
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
      of: keep.edge,
    }));
  });
  return [...ruled, ...across, ...kept];
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
    crosses.push(...crossAt(x + at.u, y + at.v, 1, mark));
    words.push({ x: x + at.u + 1.2, y: y + at.v + 1.2, text: plan.labels[mark] ?? '', heightMm: 2.8, anchor: 'start' });
  }
  return {
    id: 'construction',
    name: 'Construction',
    strokes: [...done.flatMap((step) => stepStrokes(view, step, drafted)), ...crosses],
    words,
  };
}
