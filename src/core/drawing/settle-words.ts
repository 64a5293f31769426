import type { Vector2 } from '@/core/geometry';
import type { Drawing, Layer, Stroke, Word } from './drawing';
import { placesBeside } from './place-labels';
import { Taken, type Box } from './taken';
import { wordBox } from './word-box';

/** Half of a mark's cross and a little air, mm: no word covers it. */
const MARK_MM = 2.2;
/** Air between words, mm. */
const AIR_MM = 0.4;
/** Rings about a mark on which a place is looked for; from the third on a leader leads to it. */
const [RINGS, NEAR_RINGS] = [40, 2];
const RING_MM = 2.4;
/** Words along a level line are tried this far apart, mm. */
const SLIDE_MM = 4;
/** A leader is looked at in steps of this, mm. */
const LEADER_MM = 0.8;
/** Two marks that near are one on paper, mm. */
export const SAME_MARK_MM = 0.05;
/** Distance of a word from the line it stands on, mm. */
const OVER_MM = 1.2;

const grown = ({ left, right, low, high }: Box, by: number): Box => ({
  left: left - by,
  right: right + by,
  low: low - by,
  high: high + by,
});

/** Candidates for a word beside its mark, nearest first; how many rings away. */
function* besideMark(word: Word, mark: Vector2): Generator<[Word, number]> {
  yield [word, 0];
  const box = wordBox(word);
  const size = { width: box.right - box.left, height: box.high - box.low };
  const about = { first: MARK_MM + AIR_MM + 0.1, step: RING_MM, rings: RINGS };
  for (const { left, low, ring } of placesBeside(mark, size, about))
    yield [{ ...word, x: left, y: low + (word.y - box.low), anchor: 'start' }, ring];
}

/** Candidates for a word that stands along a level line: where it was meant, then farther and farther along it, above it and below. */
function* alongLevel(word: Word, line: number, width: number): Generator<[Word, number]> {
  yield [word, 0];
  const box = wordBox(word);
  const under = line - (box.high - word.y) - OVER_MM;
  yield [{ ...word, y: under }, 0];
  for (let x = AIR_MM; x + (box.right - box.left) < width; x += SLIDE_MM)
    for (const y of [word.y, under]) yield [{ ...word, x, y, anchor: 'start' }, 0];
}

/** Candidates for a caption: whole rows higher. */
function* rowsUp(word: Word): Generator<[Word, number]> {
  for (let row = 0; row < RINGS; row += 1) yield [{ ...word, y: word.y + row * word.heightMm * 1.4 }, 0];
}

function candidates(word: Word, width: number): Generator<[Word, number]> {
  const { free } = word;
  switch (free?.where) {
    case 'beside':
      return besideMark(word, free.mark);
    case 'along':
      return alongLevel(word, free.level, width);
    case 'rows-up':
    case undefined:
      return rowsUp(word);
  }
}

/** From a mark to the nearest part of the word that names it. */
function leaderTo({ x, y }: Vector2, box: Box, of: string): Stroke {
  return {
    ...{ x0: x, y0: y, x1: Math.min(box.right, Math.max(box.left, x)), y1: Math.min(box.high, Math.max(box.low, y)) },
    family: 'sheet',
    weight: 'hairline',
    role: { is: 'leader' },
    of: `leader-${of}`,
  };
}

/** Small boxes along a leader, from clear of its mark to its word. */
function boxesAlong({ x0, y0, x1, y1 }: Stroke): readonly Box[] {
  const long = Math.hypot(x1 - x0, y1 - y0);
  const clear = (MARK_MM * Math.SQRT2 + LEADER_MM) / long;
  const count = Math.ceil(long / LEADER_MM);
  return Array.from({ length: count }, (_, i) => (i + 0.5) / count)
    .filter((s) => s > clear && s < 1 - LEADER_MM / long)
    .map((s) => {
      const [x, y] = [x0 + (x1 - x0) * s, y0 + (y1 - y0) * s];
      return grown({ left: x, right: x, low: y, high: y }, LEADER_MM / 4);
    });
}

interface Placed {
  readonly word: Word;
  readonly leader: Stroke | null;
  readonly fills: readonly Box[];
}

/** The first free place of a word; `clean`: its leader runs through nobody's name, where it would point at that. Null where there is none. */
function placed(
  word: Word,
  width: number,
  taken: Taken,
  inside: (box: Box) => boolean,
  leaders: 'clean' | 'any',
): Placed | null {
  for (const [one, ring] of candidates(word, width)) {
    const box = grown(wordBox(one), AIR_MM / 2);
    if (!inside(box) || !taken.isFree(box)) continue;
    const far = word.free?.where === 'beside' && ring >= NEAR_RINGS;
    const leader = far ? leaderTo(word.free.mark, wordBox(one), one.text) : null;
    const along = leader ? boxesAlong(leader) : [];
    if (leaders === 'clean' && along.some((part) => !taken.isFree(part))) continue;
    return { word: settledAt(one), leader, fills: [box, ...along] };
  }
  return null;
}

/** A word that moves no more. */
const settledAt = ({ x, y, text, heightMm, anchor }: Word): Word => ({ x, y, text, heightMm, anchor });

/** What is placed first: what cannot move, then what moves least. */
const TURN: Readonly<Record<NonNullable<Word['free']>['where'] | 'fixed', number>> = {
  fixed: 0,
  'rows-up': 1,
  beside: 2,
  along: 3,
};

/**
 * Words so that none covers another, a mark or what stands fixed: each at the free place nearest to where it was meant, with a leader where that is not
 * beside its mark. What lies off the sheet keeps its name there; one that reached onto the sheet would name nothing on it, and is left out.
 */
export function settleWords(drawing: Drawing): Drawing {
  const { width, height } = drawing;
  const onSheet = (p: Vector2): boolean => p.x >= 0 && p.x <= width && p.y >= 0 && p.y <= height;
  const taken = new Taken(12);
  const marks: { readonly x: number; readonly y: number; readonly text: string }[] = [];
  const words = drawing.layers.flatMap((layer) => layer.words);
  const settled = new Map<Word, Placed | null>();
  for (const word of words) {
    if (word.free?.where !== 'beside') continue;
    const { x, y } = word.free.mark;
    if (!onSheet({ x, y })) {
      const { left, right, low, high } = wordBox(word);
      if (right > 0 && left < width && high > 0 && low < height) settled.set(word, null);
      else settled.set(word, { word: settledAt(word), leader: null, fills: [] });
      continue;
    }
    // One mark is named once, whichever layers bear it.
    if (marks.some((one) => one.text === word.text && Math.hypot(one.x - x, one.y - y) < SAME_MARK_MM))
      settled.set(word, null);
    else marks.push({ x, y, text: word.text });
  }
  for (const { x, y } of marks) taken.put(grown({ left: x, right: x, low: y, high: y }, MARK_MM));
  const inside = (box: Box): boolean => box.left >= 0 && box.right <= width && box.low >= 0 && box.high <= height;
  const inTurn = words
    .filter((word) => !settled.has(word))
    .sort((a, b) => TURN[a.free?.where ?? 'fixed'] - TURN[b.free?.where ?? 'fixed']);
  for (const word of inTurn) {
    if (!word.free) {
      taken.put(wordBox(word));
      continue;
    }
    const found = placed(word, width, taken, inside, 'clean') ?? placed(word, width, taken, inside, 'any');
    for (const box of found?.fills ?? []) taken.put(box);
    // Nowhere on the sheet: the mark is in the table, and a word over another would be read by nobody.
    settled.set(word, found);
  }
  const layers = drawing.layers.map((layer): Layer => {
    const now = layer.words.flatMap((word) => {
      const one = settled.get(word);
      return one === undefined ? [{ word, leader: null, fills: [] }] : one === null ? [] : [one];
    });
    const leaders = now.flatMap(({ leader }) => (leader ? [leader] : []));
    return layer.words.length === 0
      ? layer
      : { ...layer, words: now.map(({ word }) => word), strokes: [...layer.strokes, ...leaders] };
  });
  return { ...drawing, layers };
}
