import type { LineId, MarkId, Operation } from './operation';
import { ELEVATION_ZERO, PLAN_ZERO, STATION } from './plan-sheet';

/** Letters that no pencil makes look like a figure. */
export const ALPHABET = 'abcdefghjkmnpqrstuvwxyz';

/** a … z, a2 … z2, a3 …: for the n-th, from 0. Two letters would make words: at, of, to. */
export function letters(n: number): string {
  const letter = ALPHABET.charAt(n % ALPHABET.length);
  const round = Math.floor(n / ALPHABET.length) + 1;
  return round === 1 ? letter : `${letter}${round}`;
}

/** Numbers of marks begin so, where a grid has numbers of its own. */
const BEYOND_THE_GRID = 100;
const numberIn = (label: string): readonly number[] => (/^\d+$/.test(label) ? [Number(label)] : []);

/**
 * Short names to write beside the marks, each once on the paper: points of the set-out by their own, what is laid off by numbers, what is found by crossing by
 * letters, in the order of the work. Where a grid is drawn its own numbers stand at its marks, and the others begin beyond them. What a strip carries has one number on both papers: corner P7 of the plan is cut in C7 and carried to 7, height E8 of the elevation to 8. @param points of the set-out: their own names are theirs, however they are found.
 */
export function labelsOf(
  operations: readonly Operation[],
  points: ReadonlySet<MarkId> = new Set(),
  grid: ReadonlyMap<MarkId, string> = new Map(),
): ReadonlyMap<MarkId, string> {
  const taken = new Set(operations.flatMap((one) => (one.op === 'take' ? [one.mark] : [])));
  const labels = new Map([...grid].filter(([, label]) => !taken.has(label)));
  let [numbers, crossed] = [grid.size > 0 ? Math.max(BEYOND_THE_GRID, ...[...grid.values()].flatMap(numberIn)) : 0, 0];
  const number = (): string => String((numbers += 1));
  for (const one of operations) {
    if ('mark' in one && labels.has(one.mark)) continue;
    if (one.op === 'lay-off') labels.set(one.mark, points.has(one.mark) ? one.mark : number());
    else if (one.op === 'transfer') labels.set(one.mark, number());
    else if (one.op === 'strip') for (const [mark] of one.marks) labels.set(mark, points.has(mark) ? mark : number());
  }
  const cornerOf = cornersOfCuts(operations);
  for (const one of operations)
    for (const [mark, of] of one.op === 'strip' ? one.marks : []) {
      const [own, corner] = [labels.get(mark) ?? '', cornerOf.get(of)];
      if (corner !== of && !labels.has(of)) labels.set(of, `C${own}`);
      // Of the elevation it is a height.
      const letter = one.op === 'strip' && one.zero[1] === ELEVATION_ZERO ? 'E' : 'P';
      if (corner !== undefined && !labels.has(corner)) labels.set(corner, `${letter}${own}`);
    }
  for (const one of operations) {
    if (!('mark' in one) || labels.has(one.mark)) continue;
    if (one.op === 'cross') labels.set(one.mark, letters(crossed++));
    else if (one.op === 'take') labels.set(one.mark, isCorner(one) ? `P${number()}` : one.mark);
  }
  return labels;
}

/** Corners are found on the plan; the station point and the zeros lie on it. */
const isCorner = ({ mark, paper }: Extract<Operation, { readonly op: 'take' }>): boolean =>
  paper === 'plan' && mark !== STATION && mark !== PLAN_ZERO && mark !== ELEVATION_ZERO;

/** The corner of the plan whose ray each cut lies on; a corner on the picture plane is its own cut. */
function cornersOfCuts(operations: readonly Operation[]): ReadonlyMap<MarkId, MarkId> {
  const rays = new Map<LineId, MarkId>();
  const corners = new Map<MarkId, MarkId>();
  for (const one of operations) {
    if (one.op === 'take' && isCorner(one)) corners.set(one.mark, one.mark);
    const [station, corner] = one.op === 'rule' ? one.through : [];
    if (one.op === 'rule' && station === STATION && corner !== undefined) rays.set(one.line, corner);
    if (one.op !== 'cross') continue;
    const cut = one.lines.map((line) => rays.get(line)).find((mark) => mark !== undefined);
    if (cut !== undefined) corners.set(one.mark, cut);
  }
  return corners;
}
