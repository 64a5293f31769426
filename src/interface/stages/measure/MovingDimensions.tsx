'use client';
import { startTransition, useEffect, useState, type ComponentProps } from 'react';
import type { Elevation } from '@/core/pipeline';
import { mmOf, type Id, type Project } from '@/core/record';
import { DimensionFigures, DimensionLines, type DimensionShown } from './Dimension';
import { elevationDimensions, planDimensions } from './dimensions';
import type { MeasureMotion } from './measure-motion';
import type { MeasurePose } from './pose';

/** Dimensions shorter than this on the screen are left to the margin. */
const LEAST_DIMENSION_PX = 26;

interface Given {
  readonly motion: MeasureMotion;
  readonly project: Project;
  readonly pose: MeasurePose;
  readonly first: Id | null;
  readonly elevation: Elevation | null;
  /** While walls are drawn nothing is dimensioned. */
  readonly drawing: boolean;
}

/** The dimensions of what is chosen; they follow a drag eight times a second, between the frames. */
function useDimensions({ motion, project, pose, first, elevation, drawing }: Given): readonly DimensionShown[] {
  const [moved, setMoved] = useState<Project | null>(null);
  useEffect(() => motion.hearWords((now) => (now ? startTransition(() => setMoved(now)) : setMoved(null))), [motion]);
  if (drawing) return [];
  const now = moved ?? project;
  const shown = [
    ...planDimensions(now, pose, first).map((one) => ({ ...one, key: `plan-${one.key}` })),
    ...elevationDimensions(now, pose, first, elevation).map((one) => ({ ...one, key: `elevation-${one.key}` })),
  ];
  // A figure with no room on the drawing would lie over what it measures: it stands in the margin all the same.
  return shown.filter(
    ({ from, to, size }) => mmOf(size) <= 0 || Math.hypot(to.x - from.x, to.y - from.y) >= LEAST_DIMENSION_PX,
  );
}

export function MovingDimensionLines(given: Given) {
  return <DimensionLines shown={useDimensions(given)} />;
}

export function MovingDimensionFigures({
  motion,
  project,
  pose,
  first,
  elevation,
  drawing,
  ...rest
}: Given & Omit<ComponentProps<typeof DimensionFigures>, 'shown'>) {
  return <DimensionFigures shown={useDimensions({ motion, project, pose, first, elevation, drawing })} {...rest} />;
}
