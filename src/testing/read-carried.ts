import { expect } from 'vitest';
import { ELEVATION_ZERO, type WholePlan, type WholeStep } from '@/core/construction';
import type { PicturePoint } from '@/core/space';
import { marksIn } from './marks-in';
import { holds } from './matchers';

/** All marks that sentences of one kind list. */
const listed = (says: readonly string[], pattern: RegExp): readonly string[] =>
  says.flatMap((text) => {
    const [, list] = pattern.exec(text) ?? [];
    return list === undefined ? [] : marksIn(list);
  });

/** What a strip carries: the same numbers on both papers, along it, and the zero of each. @returns how many are carried. */
export function readStrip(
  step: WholeStep,
  says: readonly string[],
  { place, labels }: Pick<WholePlan, 'labels'> & { readonly place: (label: string) => PicturePoint },
): number {
  if (step.does.pass === 'drop') return readDrop(step, says, { place, labels });
  if (step.does.pass !== 'strip') return 0;
  const [ticked, pricked] = [listed(says, /^Tick on it (.+)\.$/), listed(says, /^Prick through (.+)\.$/)];
  const carried = step.operations.flatMap((one) => (one.op === 'strip' ? one.marks : []));
  const pairs = carried.map(([mark, of]) => [labels.get(mark), labels.get(of)].join(' '));
  expect(pricked.map((label, i) => `${label} ${ticked[i] ?? ''}`).sort()).toEqual([...pairs].sort());
  const [planZero, zero] = [
    /(?:plan|elevation), its zero at (\S+)\.$/.exec(says[0] ?? '')?.[1],
    says.flatMap((text) => /^Carry it to .+, its zero at (\S+)\.$/.exec(text)?.[1] ?? [])[0],
  ];
  // Of the plan it carries what lies sideways, of the elevation what lies up and down.
  const way = /^Lay a strip of paper upright on the edge of the elevation/.test(says[0] ?? '') ? 'v' : 'u';
  // Heights are told from the elevation, and nothing else is.
  expect(way === 'v').toBe(step.operations.some((one) => one.op === 'strip' && one.zero[1] === ELEVATION_ZERO));
  pricked.forEach((label, i) => {
    const apart = (from: string | undefined, to: string): number => place(to)[way] - place(from ?? '')[way];
    const [own, off] = [apart(zero, label), apart(planZero, ticked[i] ?? '')];
    holds(Math.abs(own - off) < 1e-6, () => `${label} lies as far from its zero as ${ticked[i] ?? ''}`);
    holds(i === 0 || apart(pricked[i - 1], label) >= 0, () => `${label} comes in the order of the strip`);
  });
  return pricked.length;
}

/** What is dropped from the plan lies straight below its cut: the same numbers, from left to right. @returns how many are dropped. */
function readDrop(
  step: WholeStep,
  says: readonly string[],
  { place, labels }: Pick<WholePlan, 'labels'> & { readonly place: (label: string) => PicturePoint },
): number {
  const [from, to] = [
    listed(says, /^Drop (.+) from the plan straight down to .+\.$/),
    listed(says, /^Prick there (.+)\.$/),
  ];
  const dropped = step.operations.flatMap((one) => (one.op === 'strip' ? one.marks : []));
  expect(to.map((label, i) => `${label} ${from[i] ?? ''}`).sort()).toEqual(
    dropped.map(([mark, of]) => [labels.get(mark), labels.get(of)].join(' ')).sort(),
  );
  to.forEach((label, i) => {
    // The plan’s zero lies straight above the centre of vision: what is so far aside on it is so far aside in the picture.
    holds(
      Math.abs(place(label).u - place(from[i] ?? '').u) < 1e-6,
      () => `${label} lies straight below ${from[i] ?? ''}`,
    );
    holds(i === 0 || place(label).u >= place(to[i - 1] ?? '').u, () => `${label} comes from left to right`);
  });
  return to.length;
}
