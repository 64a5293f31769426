import { block } from '../parts';
import { rule, type Kind } from '../kind';

export const box: Kind = {
  id: 'box',
  name: 'Box',
  group: 'blocks',
  sizes: { width: rule(600, 1, 100000), depth: rule(600, 1, 100000), height: rule(600, 1, 100000) },
  parts: (v) => [block('box', [0, v.width], [0, v.depth], [0, v.height])],
};
