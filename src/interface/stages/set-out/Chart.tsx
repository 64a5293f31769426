'use client';
import { useEffect, useRef } from 'react';
import { HeatmapChart, LineChart } from 'echarts/charts';
import { GridComponent, TooltipComponent, VisualMapComponent } from 'echarts/components';
import { init, use as register, type EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

register([LineChart, HeatmapChart, GridComponent, TooltipComponent, VisualMapComponent, SVGRenderer]);

/** A chart in SVG; loaded only where one is looked at. `label` says for those who cannot see it what it shows. */
export function Chart({
  option,
  label,
  height,
}: {
  readonly option: EChartsCoreOption;
  readonly label: string;
  readonly height: number;
}) {
  const place = useRef<HTMLDivElement>(null);
  const chart = useRef<ReturnType<typeof init> | null>(null);
  useEffect(() => {
    const element = place.current;
    if (!element) return undefined;
    const made = init(element, null, { renderer: 'svg' });
    chart.current = made;
    const observer = new ResizeObserver(() => made.resize());
    observer.observe(element);
    return () => {
      observer.disconnect();
      made.dispose();
      chart.current = null;
    };
  }, []);
  useEffect(() => {
    chart.current?.setOption(option, { notMerge: true });
  }, [option]);
  return <div ref={place} role="img" aria-label={label} style={{ width: '100%', height }} />;
}
