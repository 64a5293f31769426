'use client';
import { useCallback, useEffect, useMemo } from 'react';
import { useStore } from 'zustand';
import { minutesAt, ORDERS, type MarkId, type Order, type Pace } from '@/core/construction';
import { LAID_ON, laidOf, marksAtHand, type Drawing } from '@/core/drawing';
import { sheetOf, type PlannedView } from '@/core/pipeline';
import { useAtBoard, type AtBoard } from '@/interface/at-board';
import type { PointerHandlers } from '@/interface/board';
import { useServices } from '@/interface/services';
import { keptState, useKept, useSession, type Perspective, useWorkedOut } from '@/interface/session';
import { laidPlan, type LaidPlan } from './laid-plan';
import { pointAtPlan, samePointed, type PlanPointed } from './point-at-plan';
import { useFrozen, type AtTheBoard } from './use-frozen';
import { usePlanned } from './use-planned';

/** The step at hand, and what lies on the paper by it. */
export interface DrawnStep {
  readonly laid: LaidPlan;
  readonly planned: PlannedView;
  readonly order: Order;
  /** 1 and up. */
  readonly step: number;
  /** By step, whether all its strokes are ticked off. */
  readonly ticked: readonly boolean[];
  readonly pointed: PlanPointed | null;
}

export interface Drawn extends AtBoard {
  /** Null while there is no plan. */
  readonly drawn: DrawnStep | null;
  /** How much of the plan is made, while it is; null where it is there, or cannot be. */
  readonly planning: number | null;
  /** What lies on the board, and what became of it since. */
  readonly atBoard: AtTheBoard;
  /** Why there is no plan, where the view stands. */
  readonly refusal: string | null;
  /** The whole sheet with what is drawn up to the step: what is taken away. */
  readonly shown: Perspective | null;
  readonly pace: Pace;
  /** Whether the finished picture lies beneath, and where errors are largest over it. */
  readonly beneath: boolean;
  readonly errors: boolean;
  readonly goTo: (step: number | 'first' | 'last' | 'next' | 'before') => void;
  /** The same for a step by its number; it stays the same function. */
  readonly jump: (step: number) => void;
  /** The step at hand is drawn; on to the next that is not. */
  readonly doneAndNext: () => void;
  /** The step at hand is drawn, or is not after all. */
  readonly tick: () => void;
  readonly chooseOrder: (order: Order) => void;
  readonly layBeneath: () => void;
  readonly showErrors: () => void;
  readonly walkMarks: (by: 1 | -1) => void;
  readonly pointAt: (pointed: PlanPointed | null) => void;
}

/** The finished picture as a layer of its own. */
export const FINISHED = 'finished-picture';
const POINTED = keptState<PlanPointed | null>(null);
const ERRORS = keptState(false);
/** The plan whose steps were gone through last. */
const FOLLOWED = keptState<PlannedView | null>(null);

/** The whole plan of the view, step by step: what lies on the paper by the step at hand. */
export function useDrawing(): Drawn {
  const { store, commands, settled, view, chosen, layers, kept } = useSession();
  const { perspective } = useWorkedOut();
  const { tools } = useServices();
  const wanted = useStore(store, (state) => Math.max(1, state.desk.steps[view.id] ?? 1));
  const order = useStore(store, (state) => state.desk.order ?? ORDERS[0] ?? 'by-piece');
  const at = useAtBoard(perspective);
  const [pointed, setPointed] = useKept(kept, POINTED);
  // Over one mark the pointer moves many times: it is pointed at once.
  const pointAt = useCallback(
    (next: PlanPointed | null): void => setPointed((now) => (samePointed(now, next) ? now : next)),
    [setPointed],
  );
  const [errors, setErrors] = useKept(kept, ERRORS);
  const planning = usePlanned();
  const planned = planning.kind === 'planned' ? planning.planned : null;
  const laid = useMemo(() => planned && laidPlan(planned, order, view), [planned, order, view]);
  const atBoard = useFrozen(planned, order, tools.pace);
  const { done } = atBoard;
  const ticked = useMemo(() => laid?.named.map((strokes) => strokes.every((one) => done.has(one))) ?? [], [laid, done]);
  const last = laid?.plan.steps.length ?? 0;
  const step = Math.min(wanted, last);
  const drawn = laid && planned && last > 0 ? { laid, planned, order, step, ticked, pointed } : null;
  const shown = useMemo((): Perspective | null => {
    if (!perspective.ok) return null;
    const { scene, stand, lines, quick } = perspective.value;
    let drawing: Drawing | null = null;
    return {
      ...{ scene, stand, lines, quick },
      get drawing() {
        const steps = laid ? { ...laid, steps: step } : undefined;
        return (drawing ??= sheetOf(settled, view, scene, stand, lines, chosen, steps, layers));
      },
    };
  }, [perspective, laid, step, settled, view, chosen, layers]);
  // Another plan has other steps: one goes on where it is not drawn yet.
  const [followed, setFollowed] = useKept(kept, FOLLOWED);
  useEffect(() => {
    if (!planned || followed === planned) return;
    setFollowed(planned);
    if (followed && laid) commands.goToStep(firstOpen(laid, done));
  }, [planned, followed, setFollowed, laid, done, commands]);
  const beneath = laidOf(layers, { id: FINISHED }).show !== 'off';
  const jump = useCallback(
    (to: number): void => {
      commands.goToStep(to);
      pointAt(null);
    },
    [commands, pointAt],
  );
  const goTo: Drawn['goTo'] = (to) => {
    if (!drawn) return;
    const places = { first: 1, last, next: step + 1, before: step - 1 };
    jump(Math.min(last, Math.max(1, typeof to === 'number' ? to : places[to])));
  };
  const strokes = laid?.named[step - 1] ?? [];
  return {
    ...at,
    ...{ drawn, shown, atBoard, beneath, errors, goTo, jump, pointAt },
    pace: tools.pace,
    planning: perspective.ok && planning.kind === 'planning' ? planning.done : null,
    refusal: planning.kind === 'none' ? planning.message : laid && last === 0 ? NOTHING_SEEN : null,
    pointer: pointing(at.pointer, drawn, pointAt, goTo, at.taped !== null),
    doneAndNext: () => {
      if (!drawn) return;
      atBoard.takeUp();
      commands.tick(strokes, true);
      const open = nextOpen(ticked, step);
      goTo(open ?? Math.min(last, step + 1));
    },
    tick: () => {
      atBoard.takeUp();
      commands.tick(strokes, !(ticked[step - 1] ?? false));
    },
    chooseOrder: (next) => {
      if (!planned || next === order) return;
      commands.chooseOrder(next);
      commands.goToStep(firstOpen(laidPlan(planned, next, view), done));
      pointAt(null);
    },
    layBeneath: () => commands.layLayer(FINISHED, { ...LAID_ON, show: beneath ? 'off' : 'on' }),
    showErrors: () => setErrors(!errors),
    walkMarks: (by) => {
      if (drawn) pointAt(walked(drawn, pointed, by));
    },
  };
}

const NOTHING_SEEN = 'Nothing of the room is seen from where you stand, so there is nothing to draw.';

/** The first step of which not all strokes are ticked off; the first of all where all are. */
function firstOpen({ named }: LaidPlan, done: ReadonlySet<string>): number {
  return Math.max(1, 1 + named.findIndex((names) => !names.every((one) => done.has(one))));
}

/** The first step after one that is not drawn yet, or else the first of all; null where all others are. */
export function nextOpen(ticked: readonly boolean[], step: number): number | null {
  const open = ticked.flatMap((one, i) => (one || i === step - 1 ? [] : [i + 1]));
  return open.find((one) => one > step) ?? open[0] ?? null;
}

/** The next of the marks the step is about. */
function walked({ laid, step }: DrawnStep, pointed: PlanPointed | null, by: 1 | -1): PlanPointed | null {
  const now = laid.plan.steps[step - 1];
  const marks: readonly MarkId[] = now ? [...marksAtHand(now, laid)] : [];
  const i = pointed?.is === 'mark' ? marks.indexOf(pointed.mark) : by === 1 ? -1 : 0;
  const mark = marks[(i + by + marks.length) % marks.length];
  return mark === undefined ? null : { is: 'mark', mark };
}

/** The paper's own marks and lines are pointed at; pressing one goes to the step that made it. */
function pointing(
  board: PointerHandlers,
  drawn: DrawnStep | null,
  pointAt: (pointed: PlanPointed | null) => void,
  goTo: (step: number) => void,
  taping: boolean,
): PointerHandlers {
  if (!drawn || taping) return board;
  const found = (bare: { readonly at: Parameters<typeof pointAtPlan>[2]; readonly reachMm: number } | null) =>
    bare && pointAtPlan(drawn.laid, drawn.step, bare.at, bare.reachMm);
  return {
    moves: (pointed) => {
      const here = found(pointed.bare);
      pointAt(here);
      // Where nothing is drawn yet the finished picture beneath is pointed at.
      if (here) board.leaves();
      else board.moves(pointed);
    },
    leaves: () => {
      pointAt(null);
      board.leaves();
    },
    presses: (pointed, by) => {
      const pressed = found(pointed.bare);
      if (!pressed) return board.presses(pointed, by);
      // A finger points by pressing; a mouse has pointed before.
      if (by === 'touch') pointAt(pressed);
      else goTo(stepOf(drawn.laid, pressed));
    },
  };
}

/** The step that made what is pointed at, 1 and up. */
export const stepOf = ({ stepOfMark, stepOfLine }: LaidPlan, pointed: PlanPointed): number =>
  1 + ((pointed.is === 'mark' ? stepOfMark.get(pointed.mark) : stepOfLine.get(pointed.line)) ?? 0);

/** What a plan takes at a pace, minutes. */
export const minutesOf = ({ plans }: PlannedView, order: Order, pace: Pace): number =>
  minutesAt(pace, plans[order].counts);
