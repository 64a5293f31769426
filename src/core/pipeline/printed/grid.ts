import { controlLayer, gridLayer, paperLayer } from '@/core/drawing';
import { formatScale } from '@/core/units';
import type { Printed } from './printed';

export const grid: Printed = {
  part: 'grid',
  words: 'the grid, to lay under',
  size: 'true',
  lacks: (_, view) =>
    view.grid ? null : { reason: 'no-grid', message: `${view.name} has no grid yet. Choose its unit first.` },
  *pages({ project, view, stand, scene }) {
    yield 0;
    const unit = view.grid?.unit.asTyped ?? '';
    const scale = formatScale(view.scaleDenominator, project.units);
    return [
      {
        title: `${project.name}: grid of ${view.name}`,
        ...{ width: view.sheet.width, height: view.sheet.height },
        layers: [
          paperLayer(view),
          gridLayer(project, view, stand.setUp, scene().bodies),
          controlLayer(
            view,
            `${project.name} · ${view.name} · grid of ${unit}, numbers along, letters away, + up · ${scale}`,
          ),
        ],
      },
    ];
  },
};
