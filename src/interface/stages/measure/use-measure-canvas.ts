'use client';
import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import type { Elevation, ElevationOf } from '@/core/pipeline';
import type { Id } from '@/core/record';
import type { Body } from '@/core/solids';
import { readyContext } from '@/interface/paper';
import { isLarge, useSession, useWorkedOut } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { MeasureMotion } from './measure-motion';
import { paintMeasure } from './paint';
import type { MeasureLayout, MeasurePose } from './pose';

/** The list from before while it holds the same things in the same order. */
function useSame<T>(list: readonly T[]): readonly T[] {
  const [kept, setKept] = useState(list);
  const same = kept === list || (kept.length === list.length && kept.every((one, i) => one === list[i]));
  if (!same) setKept(list);
  return same ? kept : list;
}

/** Two canvases over each other: what lies still, painted when a body changes, and what is chosen, painted with each rendering and by its motion. */
export function useMeasureCanvas(
  given: {
    readonly layout: MeasureLayout;
    readonly pose: MeasurePose;
    readonly levelId: Id;
    readonly chosen: readonly Id[];
    readonly elevation: Elevation | null;
    readonly what: ElevationOf | null;
  },
  surface: RefObject<SVGSVGElement | null>,
): {
  readonly stillCanvas: RefObject<HTMLCanvasElement | null>;
  readonly canvas: RefObject<HTMLCanvasElement | null>;
  readonly motion: MeasureMotion;
} {
  const { store, project } = useSession();
  const { scene } = useWorkedOut();
  const { look } = useLook();
  const { layout, pose, levelId, elevation } = given;
  const { width, height } = layout;
  const stillCanvas = useRef<HTMLCanvasElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [plans] = useState(() => new WeakMap<Body, Float64Array>());
  // Bodies keep their identity while they are left alone: the sheet of what lies still is painted only when one of them changes.
  const still = useSame(scene.bodies.filter((body) => !given.chosen.includes(body.id)));
  const chosen = useSame(given.chosen);
  const { spaces, openings, surfaces } = project;
  const latest = useRef({ project, scene });
  useLayoutEffect(() => {
    latest.current = { project, scene };
  });
  useLayoutEffect(() => {
    const paint = (): void => {
      const ctx = readyContext(stillCanvas.current, width, height);
      const painting = { layout, pose, look, ...latest.current, levelId, chosen, elevation: null, plans } as const;
      if (ctx) paintMeasure(ctx, { ...painting, sheet: 'still' }, window.devicePixelRatio || 1);
    };
    if (!isLarge(latest.current.scene)) return paint();
    // A large one with the next frame: what was rendered is on the screen before.
    const frame = requestAnimationFrame(paint);
    return () => cancelAnimationFrame(frame);
  }, [width, height, layout, pose, look, levelId, chosen, still, spaces, openings, surfaces, plans]);
  const [motion] = useState(() => new MeasureMotion());
  useEffect(() => {
    const unsubscribe = store.subscribe((now, before) => {
      if (now.dragged === before.dragged) return;
      if (now.dragged) motion.frame(now.dragged, now.dragChange);
      else motion.end();
    });
    return () => {
      unsubscribe();
      motion.end();
    };
  }, [store, motion]);
  useLayoutEffect(() => {
    // While something is dragged the paper is painted by its motion.
    if (motion.active) return;
    const painting = { project, scene, layout, pose, look, levelId, chosen, elevation, plans };
    motion.lies({
      ...painting,
      what: given.what,
      canvas: canvas.current,
      stillCanvas: stillCanvas.current,
      surface: surface.current,
    });
    const ctx = readyContext(canvas.current, width, height);
    if (ctx) paintMeasure(ctx, { ...painting, sheet: 'chosen' }, window.devicePixelRatio || 1);
  });
  return { stillCanvas, canvas, motion };
}
