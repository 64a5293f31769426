import { HORIZON_LINE } from './set-out-operations';
import { PLAN_PLANE } from './plan-sheet';
import { makes, type CurveId, type LineId, type MarkId, type Operation } from './operation';

/** One position of one tool: what it can do is done together. */
export type Pass =
  /** Marks of the set-out along the horizon. */
  | { readonly pass: 'points' }
  /** The plan as it lies, and corners found on it. */
  | { readonly pass: 'plan' }
  /** One laying of the scale rule, its zero at a mark. */
  | { readonly pass: 'scale'; readonly on: LineId; readonly from: MarkId }
  /** The straightedge turned about a point. */
  | { readonly pass: 'to-a-point'; readonly point: MarkId }
  | { readonly pass: 'levels' }
  | { readonly pass: 'uprights' }
  /** On the plan, square to the picture plane. */
  | { readonly pass: 'squares' }
  /** Squares set to a line. */
  | { readonly pass: 'parallels'; readonly to: LineId }
  /** The straightedge through two marks, for one line. */
  | { readonly pass: 'one-line'; readonly line: LineId }
  | { readonly pass: 'dividers'; readonly between: readonly [MarkId, MarkId] }
  | { readonly pass: 'strip'; readonly on: LineId; readonly zero: MarkId }
  /** A strip’s work where the plan lies straight above the picture and nothing in between: down along the set square. */
  | { readonly pass: 'drop'; readonly on: LineId; readonly zero: MarkId }
  | { readonly pass: 'by-hand'; readonly curve: CurveId }
  /** Where lines that are there already cross: no tool is moved. */
  | { readonly pass: 'crossings' };

/** What a step does: the work of one pass, what stays of a thing drawn firm, or what of it is drawn by eye. */
export type StepWork = Pass | { readonly pass: 'firm' } | { readonly pass: 'by-eye' };

/**
 * The pass an operation belongs to; null for a crossing, which needs no tool. @param points of the set-out, to which lines are ruled.
 * @param onPlan marks and lines that lie on the plan.
 */
export function passOf(one: Operation, points: ReadonlySet<MarkId>, onPlan: ReadonlySet<string>): Pass | null {
  switch (one.op) {
    case 'take':
      return { pass: onPlan.has(one.mark) ? 'plan' : 'points' };
    case 'lay-off':
      return { pass: 'scale', on: one.on, from: one.from };
    case 'rule': {
      const point = one.through.find((mark) => points.has(mark));
      return point === undefined ? { pass: 'one-line', line: one.line } : { pass: 'to-a-point', point };
    }
    case 'level':
      return { pass: one.line === PLAN_PLANE ? 'plan' : 'levels' };
    case 'upright':
      return { pass: onPlan.has(one.line) ? 'squares' : 'uprights' };
    case 'parallel':
      return { pass: 'parallels', to: one.to };
    case 'transfer':
      return { pass: 'dividers', between: one.between };
    case 'strip':
      return { pass: 'strip', on: one.on, zero: one.zero[0] };
    case 'curve':
      return { pass: 'by-hand', curve: one.curve };
    case 'cross':
      return null;
  }
}

/** Operations that one position of a tool does, by their places in the list they were given in. Crossings go with the pass that draws their second line. */
export interface Passed {
  readonly pass: Pass;
  readonly operations: readonly number[];
}

/**
 * Operations in passes: again and again the one that can do most now, with all that its own crossings make ready for it. Nothing is done before what it
 * needs. Ties go to the pass whose first operation came first. Source: construction, 7.
 */
export function inPasses(
  operations: readonly Operation[],
  points: ReadonlySet<MarkId>,
  onPlan: ReadonlySet<string> = new Set(),
): readonly Passed[] {
  const made = new Map<string, number>();
  operations.forEach((one, i) => {
    const { marks, line } = makes(one);
    for (const mark of marks) made.set(`mark ${mark}`, i);
    if (line !== null) made.set(`line ${line}`, i);
  });
  const waits = new Array<number>(operations.length).fill(0);
  const frees: number[][] = operations.map(() => []);
  operations.forEach((one, i) => {
    const { usesMarks, usesLines } = makes(one);
    // What is marked along the horizon waits for it to be ruled.
    const along = one.op === 'take' && one.slides === 'u' ? [HORIZON_LINE] : usesLines;
    const needs = new Set([
      ...usesMarks.map((mark) => made.get(`mark ${mark}`)),
      ...along.map((line) => made.get(`line ${line}`)),
    ]);
    for (const need of needs) {
      // What is not among them was there before.
      if (need === undefined || need === i) continue;
      waits[i] = (waits[i] ?? 0) + 1;
      frees[need]?.push(i);
    }
  });
  const passes = operations.map((one) => passOf(one, points, onPlan));
  const keys = passes.map((pass) => (pass ? JSON.stringify(pass) : ''));
  /** Operations that are ready, by their pass. */
  const ready = new Map<string, number[]>();
  const free = (i: number): void => {
    const list = ready.get(keys[i] ?? '');
    if (list) list.push(i);
    else ready.set(keys[i] ?? '', [i]);
  };
  operations.forEach((_, i) => {
    if (waits[i] === 0) free(i);
  });
  const done: Passed[] = [];
  let now: number[] = [];
  const carryOut = (i: number): void => {
    now.push(i);
    for (const next of frees[i] ?? []) {
      waits[next] = (waits[next] ?? 0) - 1;
      if (waits[next] === 0) free(next);
    }
  };
  const drain = (key: string): void => {
    for (let list = ready.get(key); list && list.length > 0; list = ready.get(key)) {
      ready.delete(key);
      for (const i of list) carryOut(i);
      if (key !== '') drain('');
    }
  };
  drain('');
  if (now.length > 0) done.push({ pass: { pass: 'crossings' }, operations: now });
  now = [];
  for (;;) {
    let best: { key: string; count: number; first: number } | null = null;
    for (const [key, list] of ready) {
      const first = Math.min(...list);
      if (!best || list.length > best.count || (list.length === best.count && first < best.first))
        best = { key, count: list.length, first };
    }
    if (!best) return done;
    const pass = passes[best.first];
    drain(best.key);
    if (pass) done.push({ pass, operations: now });
    now = [];
  }
}
