'use client';
import { useMemo, useState } from 'react';
import dynamic from 'next/dynamic';
import Box from '@mui/material/Box';
import { type Bounds, type Project, type View } from '@/core/record';
import type { Body } from '@/core/solids';
import { formatLength, formatPaper } from '@/core/units';
import { depthCurve, PENCIL_MM, reachReport, wallLine, type SetUp } from '@/core/view';
import { PaperField } from '@/interface/fields';
import { PaperSheet } from '@/interface/paper';
import { useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import { PlanPicker, type PlanLine } from './PlanPicker';
import type { Seen } from '@/interface/at-board';
import type { Sheet } from '@/interface/frame';
import { pencilMap } from './pencil-map';
import { depthChart, floorChart } from './report-charts';
import { ReportTable } from './ReportTable';

// The charts' library is large, and most of the time nobody looks at the report.
/** From the hardest sharpened pencil to a marker. */
const PENCIL: Bounds = { least: 0.05, most: 10, in: 'mm on paper' };

const Chart = dynamic(() => import('./Chart').then((module) => module.Chart), { ssr: false });

interface ReportSheetProps {
  readonly setUp: SetUp;
  readonly bodies: readonly Body[];
  readonly close: () => void;
}

/** Each piece's angle, stretch and size on paper, and what a millimetre and a pencil's width mean there; depth and pencil error as charts. */
function ReportSheet({ setUp, bodies, close }: ReportSheetProps) {
  const { project, view, style } = useSession();
  const { look } = useLook();
  const [pencil, setPencil] = useState<number>(PENCIL_MM);
  const readings = useMemo(() => reachReport(setUp, view, bodies, pencil), [setUp, view, bodies, pencil]);
  const [picked, pick] = useState<PlanLine | null>(null);
  const line = picked ?? usualLine(project, view, setUp);
  const fine = { ...style, rulerStepMm: 0.1 as const };
  const depth = useMemo(() => depthCurve(setUp, line.from, line.to), [setUp, line]);
  const depthOption = depthChart(depth, style, look);
  const floor = useMemo(() => pencilMap(project, view, setUp, pencil), [project, view, setUp, pencil]);
  const floorOption = floorChart(floor, style, look);
  const middle = depth[Math.floor(depth.length / 2)];
  return (
    <PaperSheet label="Reach and stretch" title="Reach and stretch of every piece" high="78%" close={close}>
      <Box component="p" sx={{ m: 0, mb: 1 }}>
        A pencil’s line is{' '}
        <PaperField label="Width of the pencil’s line" within={PENCIL} mm={pencil} style={fine} onChange={setPencil} />{' '}
        wide. Nearer and farther differ: a step up on paper goes farther than the same step down.
      </Box>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'flex-start', mb: 1 }}>
        <Box sx={{ flex: '0 0 250px' }}>
          <Box sx={{ fontSize: 14, color: look.faint }}>Pick a line of the floor by its ends.</Box>
          <PlanPicker setUp={setUp} line={line} pick={pick} />
        </Box>
        <Box sx={{ flex: '1 1 300px', minWidth: 0 }}>
          <Box sx={{ fontSize: 14 }}>Paper against real distance along that line</Box>
          <Chart
            option={depthOption}
            height={200}
            label={
              depth.length > 0
                ? `Paper distance along the line: ${formatPaper(middle?.paperMm ?? 0, fine)} after ${formatLength(middle?.real ?? 0, style)}, ${formatPaper(depth.at(-1)?.paperMm ?? 0, fine)} after ${formatLength(depth.at(-1)?.real ?? 0, style)}`
                : 'The line lies behind the eye'
            }
          />
        </Box>
        <Box sx={{ flex: '1 1 260px', minWidth: 0 }}>
          <Box sx={{ fontSize: 14 }}>
            What the pencil’s line costs in depth, over the floor (the picture plane level, you below)
          </Box>
          <Chart
            option={floorOption}
            height={200}
            label={`Pencil error over the floor: from ${formatLength(floor.least, style)} to ${formatLength(floor.most, style)} of depth`}
          />
        </Box>
      </Box>
      <ReportTable readings={readings} />
      {readings.length === 0 ? <p>No piece stands in front of you.</p> : null}
    </PaperSheet>
  );
}

/** The line one asks about first: along the wall that recedes most, where there is one, else straight ahead. */
function usualLine(project: Project, view: View, setUp: SetUp): PlanLine {
  const walls = project.spaces
    .filter((space) => space.levelId === view.levelId)
    .flatMap((space) => space.walls)
    .flatMap((wall) => {
      const found = wallLine(project, view, setUp, wall.id);
      return found.ok ? [found.value] : [];
    })
    .sort((a, b) => b.cosine * (b.extent[1] - b.extent[0]) - a.cosine * (a.extent[1] - a.extent[0]));
  const [best] = walls;
  if (!best)
    return {
      from: setUp.station,
      to: { x: setUp.station.x + setUp.forward.x * 5000, y: setUp.station.y + setUp.forward.y * 5000 },
    };
  const at = (s: number) => ({ x: best.tracePlan.x + best.along.x * s, y: best.tracePlan.y + best.along.y * s });
  return { from: at(best.extent[0]), to: at(best.extent[1]) };
}

export const report: Sheet<Seen> = {
  button: 'stretch',
  key: { keys: 'a', shown: 'A', does: 'angle and stretch of every piece' },
  changes: false,
  Dialog: ({ given: { perspective }, close }) => (
    <ReportSheet setUp={perspective.stand.setUp} bodies={perspective.scene.bodies} close={close} />
  ),
};
