'use client';
import { useMemo, useRef, type RefObject } from 'react';
import { elevationFor } from './places';
import { keptState, useKept, useSession } from '@/interface/session';
import { ELEVATION_REACH_MM, type ElevationOf } from '@/core/pipeline';
import { MM_PER_INCH, type Millimetres } from '@/core/units';
import type { MeasureCommands } from './MeasureBoard';
import { useArranging, type Arranging } from './use-arranging';
import { useChosen, type Chosen } from './use-chosen';
import { useLaying, type Laying } from './use-laying';

/** What one does in Measure besides dragging: the chosen things, and the commands over them. */
export interface Measuring extends Arranging, Laying {
  readonly chosen: Chosen;
  readonly boardRef: RefObject<MeasureCommands | null>;
  /** Of what the elevation under the plan is. */
  readonly elevation: ElevationOf | null;
  /** So far before a wall its elevation shows what stands there. */
  readonly within: Millimetres;
  readonly setWithin: (mm: Millimetres) => void;
}

/** As somebody said; before that 1.2 m, or four feet. */
const WITHIN = keptState<Millimetres | null>(null);
const MM_PER_FOOT = MM_PER_INCH * 12;

export function useMeasure(): Measuring {
  const { project, kept } = useSession();
  const boardRef = useRef<MeasureCommands | null>(null);
  const chosen = useChosen();
  const arranging = useArranging(chosen);
  const laying = useLaying(chosen, boardRef);
  const { first, side } = chosen;
  const [said, setWithin] = useKept(kept, WITHIN);
  const within = said ?? (project.units === 'imperial' ? 4 * MM_PER_FOOT : ELEVATION_REACH_MM);
  const elevation = useMemo(() => elevationFor(project, first, side, within), [project, first, side, within]);
  return { ...arranging, ...laying, chosen, boardRef, elevation, within, setWithin };
}
