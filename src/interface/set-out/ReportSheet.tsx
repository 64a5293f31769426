'use client';
import { useMemo, useState } from 'react';
import dynamic from 'next/dynamic';
import Box from '@mui/material/Box';
import { insideLoops } from '@/core/geometry';
import { outlineOf, type Project, type View } from '@/core/record';
import type { Body } from '@/core/solids';
import { formatAngle, formatBareLength, formatLength, formatPaper, type LengthStyle } from '@/core/units';
import {
  depthCurve,
  HALF_CONE_DEG,
  pencilOnFloor,
  PENCIL_MM,
  reachReport,
  wallLine,
  type SetUp,
  type StepMeans,
} from '@/core/view';
import { PaperField } from '@/interface/fields';
import { PaperSheet } from '@/interface/paper';
import { FIGURE_FACE, TEXT_FACE, useLook } from '@/interface/theme';
import { PlanPicker, type PlanLine } from './PlanPicker';

// The charts' library is large, and most of the time nobody looks at the report.
const Chart = dynamic(() => import('./Chart').then((module) => module.Chart), { ssr: false });

interface ReportSheetProps {
  readonly project: Project;
  readonly view: View;
  readonly setUp: SetUp;
  readonly bodies: readonly Body[];
  readonly style: LengthStyle;
  readonly close: () => void;
}

const CELLS = 24;

/** Each piece's angle, stretch and size on paper, and what a millimetre and a pencil's width mean there; depth and pencil error as charts. */
export function ReportSheet({ project, view, setUp, bodies, style, close }: ReportSheetProps) {
  const { look } = useLook();
  const [pencil, setPencil] = useState<number>(PENCIL_MM);
  const readings = useMemo(() => reachReport(setUp, view, bodies, pencil), [setUp, view, bodies, pencil]);
  const [picked, pick] = useState<PlanLine | null>(null);
  const line = picked ?? usualLine(project, view, setUp);
  const fine = { ...style, rulerStepMm: 0.1 as const };
  // A tenth of a real millimetre means nothing where a pencil's line covers centimetres.
  const real = (mm: number): number => (style.units === 'metric' && mm >= 10 ? Math.round(mm) : mm);
  const bare = (mm: number): string => formatBareLength(real(mm), style);
  const both = (means: StepMeans): string =>
    means.farther === Infinity ? `−${bare(means.nearer)} / beyond` : `−${bare(means.nearer)} / +${bare(means.farther)}`;
  const unit = style.units === 'imperial' ? { mm: 304.8, name: 'ft' } : { mm: 1000, name: 'm' };
  const paperUnit = style.units === 'imperial' ? { mm: 25.4, name: 'in' } : { mm: 1, name: 'mm' };
  const axis = {
    axisLine: { lineStyle: { color: look.faint } },
    axisLabel: { color: look.text, fontFamily: FIGURE_FACE, fontSize: 11 },
    nameTextStyle: { color: look.text, fontFamily: TEXT_FACE, fontSize: 12 },
    splitLine: { lineStyle: { color: look.rule, opacity: 0.5 } },
  };
  const depth = useMemo(() => depthCurve(setUp, line.from, line.to), [setUp, line]);
  const depthOption = {
    animation: false,
    grid: { left: 52, right: 14, top: 26, bottom: 40 },
    tooltip: { trigger: 'axis', valueFormatter: (value: number) => `${value.toFixed(1)} ${paperUnit.name}` },
    xAxis: { ...axis, type: 'value', name: `real ${unit.name} along the line`, nameLocation: 'middle', nameGap: 26 },
    yAxis: { ...axis, type: 'value', name: `paper ${paperUnit.name}`, nameGap: 8 },
    series: [
      {
        type: 'line',
        symbol: 'none',
        lineStyle: { color: look.ink, width: 2 },
        itemStyle: { color: look.ink },
        data: depth.map((point) => [point.real / unit.mm, point.paperMm / paperUnit.mm]),
      },
    ],
  };
  const floor = useMemo(() => pencilMap(project, view, setUp, pencil), [project, view, setUp, pencil]);
  const floorOption = {
    animation: false,
    grid: { left: 8, right: 70, top: 8, bottom: 8 },
    tooltip: {
      formatter: ({ value }: { value: readonly [number, number, number] }) =>
        `${formatLength(value[2], style)} of depth`,
    },
    xAxis: { type: 'category', show: false, data: Array.from({ length: CELLS }, (_, i) => i) },
    yAxis: { type: 'category', show: false, data: Array.from({ length: CELLS }, (_, i) => i) },
    visualMap: {
      min: floor.least,
      max: Math.max(floor.most, floor.least + 1),
      calculable: false,
      right: 0,
      top: 'middle',
      itemHeight: 110,
      textStyle: { color: look.text, fontFamily: FIGURE_FACE, fontSize: 11 },
      text: [formatLength(floor.most, style), formatLength(floor.least, style)],
      inRange: { color: [look.strip, look.families.measuring] },
    },
    series: [{ type: 'heatmap', data: floor.cells, itemStyle: { borderColor: look.sheet, borderWidth: 0.5 } }],
  };
  const middle = depth[Math.floor(depth.length / 2)];
  return (
    <PaperSheet label="Reach and stretch" title="Reach and stretch of every piece" high="78%" close={close}>
      <Box component="p" sx={{ m: 0, mb: 1 }}>
        A pencil’s line is{' '}
        <PaperField label="Width of the pencil’s line" mm={pencil} style={fine} onChange={setPencil} /> wide. Nearer and
        farther differ: a step up on paper goes farther than the same step down.
      </Box>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'flex-start', mb: 1 }}>
        <Box sx={{ flex: '0 0 250px' }}>
          <Box sx={{ fontSize: 14, color: look.faint }}>Pick a line of the floor by its ends.</Box>
          <PlanPicker project={project} view={view} setUp={setUp} style={style} line={line} pick={pick} />
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
      <Box
        component="table"
        data-testid="report"
        sx={{
          borderCollapse: 'collapse',
          width: '100%',
          fontSize: 14.5,
          mb: 1.5,
          '& th, & td': {
            textAlign: 'left',
            padding: '2px 10px 2px 0',
            borderBottom: `1px solid ${look.rule}`,
            fontWeight: 400,
          },
          '& td': { fontFamily: FIGURE_FACE, fontSize: 13, whiteSpace: 'nowrap', textAlign: 'right' },
          '& thead th': { color: look.faint, textAlign: 'right', lineHeight: 1.2, verticalAlign: 'bottom' },
          '& thead th:first-of-type': { textAlign: 'left' },
        }}
      >
        <thead>
          <tr>
            <th scope="col">piece</th>
            <th scope="col">off the line of sight, middle</th>
            <th scope="col">farthest part</th>
            <th scope="col">stretch</th>
            <th scope="col">on paper, wide by high</th>
            <th scope="col">1 mm in depth{style.units === 'metric' ? ', mm' : ''}</th>
            <th scope="col">1 mm in width</th>
            <th scope="col">pencil in depth{style.units === 'metric' ? ', mm' : ''}</th>
            <th scope="col">pencil in width</th>
          </tr>
        </thead>
        <tbody>
          {readings.map((one) => (
            <tr key={one.id} data-piece={one.id} style={one.farthestDeg > HALF_CONE_DEG ? { color: look.warning } : {}}>
              <th scope="row">
                {one.name}
                {one.farthestDeg > HALF_CONE_DEG ? ', outside the cone' : ''}
                {one.cut ? ', cut by the frame' : ''}
              </th>
              <td>{formatAngle(Math.round(one.offDeg * 10) / 10)}</td>
              <td>{formatAngle(Math.round(one.farthestDeg * 10) / 10)}</td>
              <td>{one.stretch.toFixed(2)}</td>
              <td>
                {formatPaper(one.width, fine)} by {formatPaper(one.height, fine)}
              </td>
              <td>{both(one.oneMm)}</td>
              <td>{formatLength(real(one.oneMm.sideways), style)}</td>
              <td>{both(one.pencil)}</td>
              <td>{formatLength(real(one.pencil.sideways), style)}</td>
            </tr>
          ))}
        </tbody>
      </Box>
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

/** Depth error of a pencil's line over the floor of the rooms on the viewer's level, cell by cell, turned as the plan on the board is. */
function pencilMap(project: Project, view: View, setUp: SetUp, pencil: number) {
  const loops = project.spaces
    .filter((space) => space.levelId === view.levelId)
    .map((space) => outlineOf(space).corners.map((corner) => corner.at));
  const eye = (p: { readonly x: number; readonly y: number }) => ({
    a: (p.x - setUp.station.x) * setUp.right.x + (p.y - setUp.station.y) * setUp.right.y,
    t: (p.x - setUp.station.x) * setUp.forward.x + (p.y - setUp.station.y) * setUp.forward.y,
  });
  const corners = loops.flat().map(eye);
  const [a0, a1] = [Math.min(...corners.map((p) => p.a)), Math.max(...corners.map((p) => p.a))];
  const [t0, t1] = [Math.min(...corners.map((p) => p.t)), Math.max(...corners.map((p) => p.t))];
  const cells: (readonly [number, number, number])[] = [];
  for (let i = 0; i < CELLS; i += 1)
    for (let j = 0; j < CELLS; j += 1) {
      const a = a0 + ((i + 0.5) / CELLS) * (a1 - a0);
      const t = t0 + ((j + 0.5) / CELLS) * (t1 - t0);
      const point = {
        x: setUp.station.x + setUp.right.x * a + setUp.forward.x * t,
        y: setUp.station.y + setUp.right.y * a + setUp.forward.y * t,
      };
      if (!loops.some((loop) => insideLoops([loop], point.x, point.y))) continue;
      const means = pencilOnFloor(setUp, point, pencil);
      if (means) cells.push([i, j, means.depth]);
    }
  const values = cells.map((cell) => cell[2]);
  return { cells, least: values.length ? Math.min(...values) : 0, most: values.length ? Math.max(...values) : 0 };
}
