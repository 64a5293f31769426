'use client';
import { useState } from 'react';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { drawsByIntervals } from '@/core/construction';
import { firstInterval } from '@/core/pipeline';
import { wallRunOf } from '@/core/record';
import { formatLength, formatPaper } from '@/core/units';
import { backWallAt, backWallDepth, backWallDrawn, readGuess, standAt, stationFor, type SetUp } from '@/core/view';
import { PaperField } from '@/interface/fields';
import { useSession } from '@/interface/session';
import type { DrawnStep } from './use-drawing';

const LEAST_MM = 1;
/** What the corners of the frame want, told where the back wall is not found by them. */
const NOT_BY_CORNERS =
  'The corners of the frame want a room square to the line of sight, its back wall behind the picture plane, and a straightedge that reaches from the frame to CV. ';
/** Widths that differ by less are one, mm. */
const SAME_WIDTH_MM = 0.05;

/** Drawn by diagonals: the interval they repeat, how far the judged one is off, and the back wall by the corners of the frame. */
export function DiagonalsSentence({ drawn, setUp }: { readonly drawn: DrawnStep; readonly setUp: SetUp }) {
  const { project, view, style } = useSession();
  const interval = firstInterval(project, view);
  const { school, atBackWall } = drawn.laid.plan;
  if (!drawsByIntervals(school) || !interval) return null;
  const { judged } = interval;
  const read = judged && readGuess(project, view, setUp, judged);
  return (
    <Box data-testid="diagonals-sentence" sx={{ mb: 1, fontSize: 14.5, lineHeight: 1.5 }}>
      <Box component="p" sx={{ m: 0, mb: 0.5 }}>
        {atBackWall
          ? `The first interval in depth runs to the back wall, ${formatLength(atBackWall.depth, style)} behind the picture plane, which stands between the lines from the corners of the frame to CV. `
          : `${school === 'sheet-corners' ? NOT_BY_CORNERS : ''}Intervals of ${formatLength(interval.mm, style)} are repeated from one corner, the first of them measured. `}
        {!atBackWall && judged && read?.ok
          ? `Judged on ${wallRunOf(project, judged.wallId)?.wall.name ?? 'the wall'} it lies ${formatPaper(read.value.missMm, style)} from where this station has it: as marked, it stands for a station ${formatLength(read.value.pictureDistance, style)} from the picture plane.`
          : null}
      </Box>
      <JudgedSteps drawn={drawn} />
      <SheetCorner setUp={setUp} />
    </Box>
  );
}

/** What is judged in binary steps, and that it stands outside what is exact. */
function JudgedSteps({ drawn }: { readonly drawn: DrawnStep }) {
  const { style } = useSession();
  const { school, offMm } = drawn.laid.plan;
  if (school !== 'binary-steps') return null;
  const most = Math.max(...offMm.values());
  return (
    <Box component="p" data-testid="judged-sentence" sx={{ m: 0, mb: 0.5 }}>
      {offMm.size === 0
        ? 'No part of an interval lies near enough to a half, a quarter or an eighth: nothing is judged.'
        : `Parts of intervals are judged, a half, a quarter or an eighth in place of another: ${offMm.size} marks lie up to ${formatLength(most, style)} off in the room, outside the exactness of this plan. By repeated diagonals all is exact.`}
    </Box>
  );
}

/** The sheet-corner way: what depth a back wall of a given width stands for, and at which station. */
function SheetCorner({ setUp }: { readonly setUp: SetUp }) {
  const { project, view, style, commands, readOnly } = useSession();
  const depth = backWallDepth(project, view, setUp);
  const [typed, setTyped] = useState<number | null>(null);
  if (depth === null) return null;
  const right = backWallAt(view, setUp, depth);
  const width = typed ?? right.widthMm;
  const wall = backWallDrawn(view, setUp, width);
  const most = view.frame.right - view.frame.left;
  const paper = (mm: number): string => formatPaper(Math.abs(mm), style);
  return (
    <Box component="p" sx={{ m: 0 }}>
      By the corners of the frame: rule them to CV; a back wall drawn{' '}
      <PaperField
        label="Width of the back wall as it is drawn"
        mm={width}
        style={style}
        within={{ least: LEAST_MM, most, in: 'mm on paper' }}
        onChange={(mm) => setTyped(mm)}
      />{' '}
      wide{' '}
      {wall
        ? `has its corners on those lines, its sides ${sidesWords(wall.sides, paper)}. It stands ${formatLength(wall.depth, style)} behind the picture plane, seen from ${formatLength(setUp.pictureDistance, style)} before it. `
        : 'would stand in the picture plane. '}
      {Math.abs(width - right.widthMm) > SAME_WIDTH_MM ? (
        <>
          {`Yours stands ${formatLength(depth, style)} behind it: ${paper(right.widthMm)} wide from here, or as drawn from ${formatLength(stationFor(view, width, depth), style)}.`}{' '}
          {wall && !readOnly ? (
            <Button
              size="small"
              sx={{ color: 'secondary.main' }}
              onClick={() => {
                commands.change('Stand where the back wall is drawn so wide', {
                  kind: 'change-view',
                  viewId: view.id,
                  fields: standAt(project, view, { pictureDistance: stationFor(view, width, depth) }),
                });
                setTyped(null);
              }}
            >
              stand there
            </Button>
          ) : null}
        </>
      ) : (
        'That is yours.'
      )}
    </Box>
  );
}

/** Where the wall's sides lie from the centre of vision; a side that lies on it, or beyond, is told as it lies. */
function sidesWords(
  {
    left,
    right,
    bottom,
    top,
  }: { readonly left: number; readonly right: number; readonly bottom: number; readonly top: number },
  paper: (mm: number) => string,
): string {
  const side = (mm: number, [less, more]: readonly [string, string]): string =>
    `${paper(mm)} ${mm < 0 ? less : more} CV`;
  const across = ['left of', 'right of'] as const;
  const upright = ['below', 'above'] as const;
  const sides = [side(left, across), side(right, across), side(bottom, upright), side(top, upright)];
  return `${sides.slice(0, 3).join(', ')} and ${sides[3] ?? ''}`;
}
