import { at } from '@/core/base';
import type { ConstructionGiven } from './given';
import type { PlanWriter } from './plan-writer';

/** The last step: press harder on what is seen. Vertex names are the names of the constructed marks. */
export function writeFinish(writer: PlanWriter, given: ConstructionGiven): void {
  const { body, visible, piece } = given;
  const keeps = body.edges.flatMap((edge) => {
    const parts = visible.get(edge.id) ?? [];
    return parts.length === 0
      ? []
      : [{ edge: edge.id, from: at(body.vertices, edge.from).id, to: at(body.vertices, edge.to).id, parts }];
  });
  const whole = keeps.filter(
    (keep) => keep.parts.length === 1 && (keep.parts[0]?.[0] ?? 1) < 1e-6 && (keep.parts[0]?.[1] ?? 0) > 1 - 1e-6,
  ).length;
  const cut = keeps.length - whole;
  const hidden = body.edges.length - keeps.length;
  const says =
    keeps.length === 0
      ? [`Nothing of ${piece.name} is seen from here: leave its lines faint.`]
      : [
          `Draw ${piece.name} firmly: ${whole} ${whole === 1 ? 'edge is' : 'edges are'} seen whole`,
          cut > 0 ? `, ${cut} in part` : '',
          hidden > 0 ? `; the other ${hidden} are hidden or out of the frame and stay faint.` : '.',
        ];
  writer
    .step('finish', 'finish', says, ['Decide what is hidden before you press: dark construction will not rub out.'])
    .keep(keeps);
}
