import { newSize, USUAL_UNCERTAINTY_MM, type Id, type Opening, type OpeningKind, type Size } from '@/core/record';
import { OPENING_FITTINGS } from './fittings';

/** An opening with usual sizes, each marked as usual; its offset as estimated. */
export function newOpening(
  kind: OpeningKind,
  at: { readonly id: Id; readonly name: string; readonly wallId: Id; readonly fromCorner: Id; readonly offset: number },
  print: (mm: number) => string,
): Opening {
  const rules = OPENING_FITTINGS[kind];
  const sized = (name: string, mm: number, source: 'usual' | 'estimated' = 'usual'): Size =>
    newSize(`${at.id}/${name}`, { mm, asTyped: print(mm), source, uncertaintyMm: USUAL_UNCERTAINTY_MM[source] });
  const { rise: _, ...sizes } = rules.sizes;
  return {
    id: at.id,
    name: at.name,
    kind,
    wallId: at.wallId,
    throughWallId: null,
    fromCorner: at.fromCorner,
    offset: sized('offset', at.offset, 'estimated'),
    width: sized('width', rules.usual.width),
    sill: sized('sill', rules.usual.sill),
    height: sized('height', rules.usual.height),
    reveal: sized('reveal', rules.usual.reveal),
    // An arch without a rise of its own is a half circle, whatever its width becomes.
    head: kind === 'archway' ? 'arched' : 'flat',
    sizes: Object.fromEntries(Object.entries(sizes).map(([name, one]) => [name, sized(name, one.usual)])),
    counts: Object.fromEntries(Object.entries(rules.counts).map(([name, one]) => [name, one.usual])),
    choices: Object.fromEntries(Object.entries(rules.choices).map(([name, list]) => [name, list[0] ?? ''])),
  };
}
