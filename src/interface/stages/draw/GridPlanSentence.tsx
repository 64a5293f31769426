'use client';
import { useMemo } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { gridZeroOf } from '@/core/drawing';
import { usualGrid } from '@/core/pipeline';
import { wallRuns } from '@/core/record';
import { formatLength } from '@/core/units';
import type { SetUp } from '@/core/view';
import { useSession } from '@/interface/session';
import type { DrawnStep } from './use-drawing';

/** Drawn by squares: what is counted from where, and how far the printed grid stands for the steps that draw it. */
export function GridPlanSentence({ drawn, setUp }: { readonly drawn: DrawnStep; readonly setUp: SetUp }) {
  const { project, view, commands, readOnly, style } = useSession();
  const { steps, school } = drawn.laid.plan;
  const grid = view.grid ?? usualGrid(project.units);
  const zero = useMemo(() => gridZeroOf(project, view, setUp, grid), [project, view, setUp, grid]);
  if (school !== 'measured-grid' || !zero) return null;
  const runs =
    project.spaces.map(wallRuns).find((all) => all.some((run) => run.startCorner === zero.startCorner)) ?? [];
  const before = runs.find((run) => run.endCorner === zero.startCorner)?.wall.name ?? '';
  const first = steps.findIndex((step) => step.of.length > 0) + 1;
  return (
    <Box component="p" data-testid="grid-sentence" sx={{ m: 0, mb: 1, fontSize: 14.5, lineHeight: 1.5 }}>
      Squares of {formatLength(grid.unit.mm, style)} are counted from the corner of {before} and {zero.wall.name}:
      numbers along {zero.wall.name}, letters away from it, +&nbsp;up from the floor.{' '}
      {view.grid ? (
        <>
          The printed grid has the same numbers: where it lies under the sheet, set out the horizon and its points and
          begin at step {first}.
        </>
      ) : (
        <>
          This view has no grid to print yet.{' '}
          <Button
            size="small"
            disabled={readOnly}
            onClick={() => commands.change('Lay a grid', { kind: 'change-view', viewId: view.id, fields: { grid } })}
          >
            lay this one
          </Button>
        </>
      )}
    </Box>
  );
}
