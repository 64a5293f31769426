import { block, drum, ring, type Part } from '../parts';
import { knob } from './helpers';
import { rule, type Kind } from '../kind';

export const appliance: Kind = {
  id: 'appliance',
  name: 'Appliance',
  group: 'kitchen',
  backed: true,
  sizes: {
    width: rule(600, 400, 1000),
    depth: rule(620, 400, 800),
    height: rule(850, 500, 2100),
    'foot height': rule(60, 0, 150),
    'door thickness': rule(50, 10, 120),
    'panel height': rule(110, 0, 250),
  },
  choices: { door: ['round glass', 'oven', 'two doors', 'plain'], hob: ['none', 'four plates'] },
  refuse: (v) =>
    v.height < v.size('foot height') + v.size('panel height') + 300 ? 'no room is left for its door' : null,
  parts: (v) => {
    const [foot, panel, door] = [v.size('foot height'), v.size('panel height'), v.size('door thickness')];
    const [y, top] = [v.depth - door, v.height - panel];
    const style = v.choice('door');
    const middle = (foot + top) / 2;
    const radius = Math.min(v.width * 0.32, (top - foot) * 0.38);
    const split = foot + (top - foot) * 0.62;
    const doors: Part[] =
      style === 'two doors'
        ? [
            block('door-lower', [2, v.width - 2], [y, v.depth], [foot + 2, split - 3]),
            block('door-upper', [2, v.width - 2], [y, v.depth], [split + 3, top - 2]),
            block('grip-lower', [30, 50], [v.depth, v.depth + 30], [split - 330, split - 60]),
            block('grip-upper', [30, 50], [v.depth, v.depth + 30], [split + 40, Math.min(top - 20, split + 240)]),
          ]
        : [block('door', [2, v.width - 2], [y, v.depth], [foot + 2, top - 2])];
    if (style === 'round glass')
      doors.push(ring('glass', [v.width / 2, v.depth, middle], radius * 0.75, radius, 20, 'y'));
    if (style === 'oven')
      doors.push(
        block('glass', [70, v.width - 70], [v.depth, v.depth + 5], [foot + 60, top - 110]),
        block('grip', [60, v.width - 60], [v.depth, v.depth + 40], [top - 70, top - 52]),
      );
    const plates: Part[] =
      v.choice('hob') === 'none'
        ? []
        : (
            [
              [0.28, 0.3],
              [0.72, 0.3],
              [0.28, 0.68],
              [0.72, 0.68],
            ] as const
          ).map(([px, py], i) =>
            drum(`plate-${i + 1}`, [v.width * px, y * py, v.height], Math.min(v.width, y) * (i % 2 ? 0.12 : 0.16), 6),
          );
    return [
      block('case', [0, v.width], [0, y], [foot, v.height]),
      ...(foot > 0 ? [block('foot', [20, v.width - 20], [30, y - 30], [0, foot])] : []),
      ...doors,
      ...(panel > 0
        ? [
            block('panel', [0, v.width], [y, v.depth], [top, v.height]),
            knob('knob', [v.width * 0.82, v.depth, v.height - panel / 2], Math.min(22, panel * 0.35)),
          ]
        : []),
      ...plates,
    ];
  },
};
