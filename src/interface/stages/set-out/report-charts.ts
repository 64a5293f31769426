import { formatLength, type LengthStyle } from '@/core/units';
import { FIGURE_FACE, TEXT_FACE, type Look } from '@/interface/theme';
import { CELLS, type pencilMap } from './pencil-map';

const NONE_MOVES = { animation: false } as const;

/** Paper distance against real distance along a line of the floor. */
export function depthChart(
  depth: readonly { readonly real: number; readonly paperMm: number }[],
  style: LengthStyle,
  look: Look,
) {
  const unit = style.units === 'imperial' ? { mm: 304.8, name: 'ft' } : { mm: 1000, name: 'm' };
  const paperUnit = style.units === 'imperial' ? { mm: 25.4, name: 'in' } : { mm: 1, name: 'mm' };
  const axis = {
    axisLine: { lineStyle: { color: look.faint } },
    axisLabel: { color: look.text, fontFamily: FIGURE_FACE, fontSize: 11 },
    nameTextStyle: { color: look.text, fontFamily: TEXT_FACE, fontSize: 12 },
    splitLine: { lineStyle: { color: look.rule, opacity: 0.5 } },
  };
  return {
    ...NONE_MOVES,
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
}

/** What a pencil's line costs in depth over the floor, cell by cell. */
export function floorChart(floor: ReturnType<typeof pencilMap>, style: LengthStyle, look: Look) {
  return {
    ...NONE_MOVES,
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
}
