import { newSize, USUAL_UNCERTAINTY_MM, type Id, type Opening, type Size } from '@/core/record';
import type { OpeningKind } from './openings';

/** An opening with usual sizes, each marked as usual; its offset as estimated. */
export function newOpening(
  kind: OpeningKind,
  at: { readonly id: Id; readonly name: string; readonly wallId: Id; readonly fromCorner: Id; readonly offset: number },
  print: (mm: number) => string,
): Opening {
  const sized = (name: string, mm: number, source: 'usual' | 'estimated' = 'usual'): Size =>
    newSize(`${at.id}/${name}`, { mm, asTyped: print(mm), source, uncertaintyMm: USUAL_UNCERTAINTY_MM[source] });
  const { rise: _, ...sizes } = kind.sizes;
  return {
    id: at.id,
    name: at.name,
    kind: kind.id,
    wallId: at.wallId,
    throughWallId: null,
    fromCorner: at.fromCorner,
    offset: sized('offset', at.offset, 'estimated'),
    width: sized('width', kind.usual.width),
    sill: sized('sill', kind.usual.sill),
    height: sized('height', kind.usual.height),
    reveal: sized('reveal', kind.usual.reveal),
    // An arch without a rise of its own is a half circle, whatever its width becomes.
    head: kind.head,
    sizes: Object.fromEntries(Object.entries(sizes).map(([name, one]) => [name, sized(name, one.usual)])),
    counts: Object.fromEntries(Object.entries(kind.counts).map(([name, one]) => [name, one.usual])),
    choices: Object.fromEntries(Object.entries(kind.choices).map(([name, list]) => [name, list[0] ?? ''])),
  };
}
