import { ball } from '../parts';
import { rule, type Kind } from '../kind';

export const ballKind: Kind = {
  id: 'ball',
  name: 'Ball',
  group: 'things',
  sizes: { width: rule(220, 20, 2000), depth: rule(220, 20, 2000), height: rule(220, 20, 2000) },
  refuse: (v) =>
    Math.max(v.width, v.depth, v.height) - Math.min(v.width, v.depth, v.height) > 0.5
      ? 'a ball is as wide as it is deep and high'
      : null,
  parts: (v) => [ball('ball', [v.width / 2, v.width / 2, v.width / 2], v.width / 2)],
};
