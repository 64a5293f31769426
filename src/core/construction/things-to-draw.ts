import type { Id } from '@/core/record';
import type { TargetCurve, TargetEdge, Targets } from './target';

/** What is to be drawn of a thing. */
export interface Thing {
  readonly of: Id;
  readonly edges: readonly TargetEdge[];
  readonly curves: readonly TargetCurve[];
}

/** What is to be drawn of each thing, the things in their order. */
export function thingsIn(targets: Targets, order: readonly Id[]): readonly Thing[] {
  const named = [...targets.edges, ...targets.curves].map((one) => one.of);
  const there = new Set(named);
  return [...new Set([...order.filter((id) => there.has(id)), ...named])].map((of) => ({
    of,
    edges: targets.edges.filter((one) => one.of === of),
    curves: targets.curves.filter((one) => one.of === of),
  }));
}
