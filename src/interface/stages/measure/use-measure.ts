'use client';
import { useMemo, useRef, type RefObject } from 'react';
import { elevationFor } from './places';
import { useSession } from '@/interface/session';
import type { ElevationOf } from '@/core/pipeline';
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
}

export function useMeasure(): Measuring {
  const { project } = useSession();
  const boardRef = useRef<MeasureCommands | null>(null);
  const chosen = useChosen();
  const arranging = useArranging(chosen);
  const laying = useLaying(chosen, boardRef);
  const { first, side } = chosen;
  const elevation = useMemo(() => elevationFor(project, first, side), [project, first, side]);
  return { ...arranging, ...laying, chosen, boardRef, elevation };
}
