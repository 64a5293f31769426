import { writeSvg } from '@/core/formats/svg';
import { elevationDrawing, elevationOf } from '@/core/pipeline';
import { refused, type Output } from './output';

export const elevation: Output = {
  id: 'elevation',
  words: 'the elevation of what is chosen (SVG)',
  wants: 'an-elevation',
  make: ({ project, view, elevation: what, scene }) => {
    const made = what === null || what === 'nothing' ? null : elevationOf(project, scene, what);
    if (!made) return refused('Choose a wall, an opening or a piece: the plan itself has no elevation.');
    const content = writeSvg(elevationDrawing(project, made, view.scaleDenominator));
    return { kind: 'file', name: [project.id, made.name], ending: '.svg', type: 'image/svg+xml', content };
  },
};
