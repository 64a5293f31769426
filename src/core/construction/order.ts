import type { Id } from '@/core/record';
import type { Operation } from './operation';
import { inHandOrder } from './in-hand-order';
import { inPasses, type Pass } from './pass';
import type { WholeDraft } from './whole';

export type Order = 'by-piece' | 'by-pass';
export const ORDERS: readonly Order[] = ['by-piece', 'by-pass'];
/** As a list says it. */
export const ORDER_WORDS: Readonly<Record<Order, string>> = { 'by-piece': 'by piece', 'by-pass': 'by pass' };

/** Work that goes together: one pass, and the things it is for; none where it is the set-out. */
export interface PlannedStep {
  readonly pass: Pass;
  readonly of: readonly Id[];
  readonly operations: readonly Operation[];
}

/** A draft's operations in one of the two orders: each thing whole, one after another, or by passes over all of them. The set-out comes first in both. */
export function inOrder(
  { desk, operations, madeFor, points, onPlan }: WholeDraft,
  order: Order,
): readonly PlannedStep[] {
  const groups = new Map<Id | null, number[]>();
  operations.forEach((_, i) => {
    const of = madeFor[i] ?? null;
    const key = order === 'by-pass' && of !== null ? ALL : of;
    const list = groups.get(key);
    if (list) list.push(i);
    else groups.set(key, [i]);
  });
  return [...groups.values()].flatMap((indices) =>
    inPasses(
      indices.flatMap((i) => operations[i] ?? []),
      points,
      onPlan,
    ).map(({ pass, operations: own }) => {
      const numbers = own.flatMap((i) => indices[i] ?? []);
      return {
        pass,
        of: [...new Set(numbers.flatMap((i) => madeFor[i] ?? []))],
        operations: inHandOrder(
          pass,
          numbers.flatMap((i) => operations[i] ?? []),
          desk.machine,
        ),
      };
    }),
  );
}

/** Stands for all things together. */
const ALL: Id = 'all';

/** Ruler moves of a draft: passes in either order, and what it would take to find each corner by itself with two lines. */
export function movesOf(whole: WholeDraft): Readonly<Record<Order | 'by-corner', number>> {
  const moves = (order: Order): number => inOrder(whole, order).filter(({ pass }) => pass.pass !== 'crossings').length;
  const corners = new Set(whole.edges.flatMap(({ from, to }) => [from, to]));
  return {
    'by-piece': moves('by-piece'),
    'by-pass': moves('by-pass'),
    'by-corner': 2 * corners.size,
  };
}
