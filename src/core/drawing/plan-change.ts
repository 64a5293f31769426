import { PENCIL_LINE_MM } from '@/core/construction';
import type { PaperMillimetres } from '@/core/units';
import type { Chain, LaidStroke } from './laid-strokes';

/** A drawn stroke that is wrong by now: it, or the corner it marks, lies elsewhere. */
export interface WrongStroke {
  readonly stroke: LaidStroke;
  readonly byMm: PaperMillimetres;
}

/** What a change has made of the strokes of a plan that were drawn before it. */
export interface PlanChange {
  /** Farthest off first. */
  readonly wrong: readonly WrongStroke[];
  /** What stood for nothing else and is wanted no more: what stays of it is to be rubbed out, construction may lie. */
  readonly unwanted: readonly LaidStroke[];
  /** Names in the plan as it is now of what is drawn and right. */
  readonly kept: ReadonlySet<string>;
}

/**
 * Compares strokes of a plan that are drawn with the plan as it is now, by their names; a corner that has another name now is known by the lines that end
 * there. What lies within a pencil's line of its place is right.
 */
export function planChange(
  before: readonly LaidStroke[],
  now: readonly LaidStroke[],
  isDrawn: (stroke: string) => boolean,
): PlanChange {
  const byName = new Map(now.map((one) => [one.id, one]));
  const byEnd = new Map(now.flatMap((one) => (one.ends ?? []).map((end) => [end, one] as const)));
  const wrong: WrongStroke[] = [];
  const unwanted: LaidStroke[] = [];
  const kept = new Set<string>();
  for (const stroke of before) {
    if (!isDrawn(stroke.id)) continue;
    const same =
      byName.get(stroke.id) ??
      (stroke.ends ?? []).reduce<LaidStroke | undefined>((one, end) => one ?? byEnd.get(end), undefined);
    if (!same) {
      unwanted.push(stroke);
      continue;
    }
    const byMm = offBy(stroke, same);
    if (byMm > PENCIL_LINE_MM) wrong.push({ stroke, byMm });
    else kept.add(same.id);
  }
  return { wrong: wrong.sort((a, b) => b.byMm - a.byMm), unwanted, kept };
}

/** How far a stroke lies from where it should, mm. A construction line is right where it runs, however long it is. */
export function offBy(drawn: LaidStroke, wanted: LaidStroke): PaperMillimetres {
  if (drawn.is === 'line' && wanted.is === 'line') {
    const [line] = wanted.chains;
    return line ? Math.max(0, ...drawn.chains.flatMap((chain) => placesOf(chain).map((p) => fromLine(p, line)))) : 0;
  }
  return Math.max(farthest(drawn.chains, wanted.chains), farthest(wanted.chains, drawn.chains));
}

type At = readonly [x: number, y: number];

const placesOf = (chain: Chain): readonly At[] =>
  Array.from({ length: chain.length / 2 }, (_, i): At => [chain[2 * i] ?? 0, chain[2 * i + 1] ?? 0]);

/** How far a place lies from a line, however long that is drawn. */
function fromLine([x, y]: At, line: Chain): number {
  const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = line;
  const [dx, dy] = [x1 - x0, y1 - y0];
  const length = Math.hypot(dx, dy);
  return length === 0 ? Math.hypot(x - x0, y - y0) : Math.abs((x - x0) * dy - (y - y0) * dx) / length;
}

/** The place of a stretch that is nearest to another place. */
function nearestOn([x, y]: At, [x0, y0]: At, [x1, y1]: At): At {
  const [dx, dy] = [x1 - x0, y1 - y0];
  const square = dx * dx + dy * dy;
  const s = square === 0 ? 0 : Math.min(1, Math.max(0, ((x - x0) * dx + (y - y0) * dy) / square));
  return [x0 + s * dx, y0 + s * dy];
}

/** Stretches of chains, a single place being one without length. */
const stretchesOf = (chains: readonly Chain[]): readonly (readonly [At, At])[] =>
  chains.flatMap((chain) => {
    const places = placesOf(chain);
    const [only] = places;
    if (only && places.length === 1) return [[only, only] as const];
    return places.slice(1).map((q, i) => [places[i] ?? q, q] as const);
  });

function nearest(p: At, stretches: readonly (readonly [At, At])[]): { readonly at: At; readonly mm: number } {
  let best: { at: At; mm: number } = { at: p, mm: Infinity };
  for (const [a, b] of stretches) {
    const at = nearestOn(p, a, b);
    const mm = Math.hypot(at[0] - p[0], at[1] - p[1]);
    if (mm < best.mm) best = { at, mm };
  }
  return best;
}

/**
 * How far the farthest place of some chains lies from others: at their bends and ends, or over the middle of what the others leave open between two of
 * theirs.
 */
function farthest(chains: readonly Chain[], others: readonly Chain[]): PaperMillimetres {
  const own = stretchesOf(chains);
  if (own.length === 0) return 0;
  const theirs = stretchesOf(others);
  const open = others.slice(1).flatMap((chain, i): readonly At[] => {
    const [end, begin] = [placesOf(others[i] ?? []).at(-1), placesOf(chain)[0]];
    return end && begin ? [nearest([(end[0] + begin[0]) / 2, (end[1] + begin[1]) / 2], own).at] : [];
  });
  return Math.max(...[...own.flat(), ...open].map((p) => nearest(p, theirs).mm));
}
