import { useState } from 'react';
import { mmOf, type BlockOutline, type OutlineCorner, type Piece } from '@/core/record';
import { lieWithin, meet, outlineCrossesItself } from '@/core/solids';
import { formatBareLength, parseLength, type LengthStyle } from '@/core/units';
import type { CornerTyped } from './CornerRow';

export type OutlineView = BlockOutline['view'];

/** An outline as it is typed: its own way round first, then its holes. */
export interface OutlineTyped {
  readonly id: string;
  readonly view: OutlineView;
  readonly from: string;
  readonly to: string;
  readonly loops: readonly (readonly CornerTyped[])[];
}

/** What of a typed corner is wrong, or where it lies. */
export interface CornerRead {
  readonly one: CornerTyped;
  readonly fault: string | null;
  readonly at: OutlineCorner | null;
}

/** A typed outline as far as it can be read, and the first thing that is wrong with it. */
export interface OutlineRead {
  readonly loops: readonly (readonly CornerRead[])[];
  readonly outline: BlockOutline | null;
  readonly fault: string | null;
}

/** Overall extent across and up of a view of the piece, and how deep it can be pushed through. */
export const extents = (piece: Piece, view: OutlineView): readonly [across: number, up: number, deep: number] => {
  const [w, d, h] = [mmOf(piece.width), mmOf(piece.depth), mmOf(piece.height)];
  return view === 'plan' ? [w, d, h] : view === 'front' ? [w, h, d] : [d, h, w];
};

function readCorner(one: CornerTyped, style: LengthStyle): CornerRead {
  const rules = { units: style.units, zero: 'allowed', negative: 'allowed' } as const;
  const [x, y] = [parseLength(one.x, rules), parseLength(one.y, rules)];
  const bulge = Number(one.bend.replace(',', '.').replace('−', '-'));
  const fault = !x.ok
    ? x.error.message
    : !y.ok
      ? y.error.message
      : !(Math.abs(bulge) <= 1)
        ? 'A bend is the arc’s rise over half its chord, from −1 to 1; 0 is straight.'
        : null;
  return { one, fault, at: x.ok && y.ok && fault === null ? { x: x.value.mm, y: y.value.mm, bulge } : null };
}

/** A typed outline read. */
export function readOutline(typed: OutlineTyped, style: LengthStyle): OutlineRead {
  const loops = typed.loops.map((loop) => loop.map((one) => readCorner(one, style)));
  const rules = { units: style.units, zero: 'allowed', negative: 'allowed' } as const;
  const [from, to] = [parseLength(typed.from, rules), parseLength(typed.to, rules)];
  const read = loops.map((loop) => loop.flatMap(({ at }) => (at ? [at] : [])));
  const [corners = [], ...holes] = read;
  const fault = loops.some((loop, i) => loop.length !== read[i]?.length)
    ? 'A corner cannot be read.'
    : !from.ok
      ? from.error.message
      : !to.ok
        ? to.error.message
        : Math.abs(to.value.mm - from.value.mm) < 0.5
          ? 'It is pushed through by nothing: let it end elsewhere than it begins.'
          : corners.length < 3 || outlineCrossesItself(corners)
            ? 'The outline crosses itself or encloses nothing. Move the last corner.'
            : holes.some((hole) => !lieWithin(corners, hole))
              ? 'A hole crosses itself, or does not lie within the outline.'
              : holes.some((hole, i) => holes.slice(i + 1).some((other) => meet(hole, other)))
                ? 'Two holes run into each other.'
                : null;
  const sound = fault === null && from.ok && to.ok;
  return {
    ...{ loops, fault },
    outline: sound ? { id: typed.id, view: typed.view, corners, holes, from: from.value.mm, to: to.value.mm } : null,
  };
}

/** What an outline says, whatever it is called. */
const said = ({ from, to, loops }: OutlineTyped) => [
  ...[from, to],
  loops.map((loop) => loop.map(({ x, y, bend }) => [x, y, bend])),
];

/** All outlines of a block as they are typed, and which of them, and which way round of it, is at hand. */
export function useOutlines(piece: Piece, style: LengthStyle) {
  const print = (mm: number): string => formatBareLength(mm, style);
  /** Keys are for one way round: each corner keeps its own while others come and go. */
  const typed = (corners: readonly OutlineCorner[], first = 0): readonly CornerTyped[] =>
    corners.map((one, i) => ({ key: first + i, x: print(one.x), y: print(one.y), bend: String(one.bulge) }));
  const box = (left: number, right: number, low: number, high: number): readonly OutlineCorner[] => [
    { x: left, y: low, bulge: 0 },
    { x: right, y: low, bulge: 0 },
    { x: right, y: high, bulge: 0 },
    { x: left, y: high, bulge: 0 },
  ];
  const fresh = (view: OutlineView, taken: readonly string[]): OutlineTyped => {
    const [across, up, deep] = extents(piece, view);
    let number = 1;
    while (taken.includes(number === 1 ? view : `${view}-${number}`)) number += 1;
    return {
      id: number === 1 ? view : `${view}-${number}`,
      ...{ view, from: print(0), to: print(deep), loops: [typed(box(0, across, 0, up))] },
    };
  };
  const [outlines, setOutlines] = useState<readonly OutlineTyped[]>(() =>
    piece.outlines.length === 0
      ? [fresh('front', [])]
      : piece.outlines.map(({ id, view, corners, holes, from, to }) => ({
          ...{ id, view, from: print(from), to: print(to) },
          loops: [corners, ...holes].map((loop) => typed(loop)),
        })),
  );
  const [hand, setHand] = useState({ outline: 0, loop: 0 });
  const now = outlines[hand.outline];
  const put = (to: Partial<OutlineTyped>): void =>
    setOutlines(outlines.map((one, i) => (i === hand.outline ? { ...one, ...to } : one)));
  const putLoop = (corners: readonly CornerTyped[]): void =>
    put({ loops: (now?.loops ?? []).map((loop, i) => (i === hand.loop ? corners : loop)) });
  return {
    ...{ outlines, now, hand, put },
    corners: now?.loops[hand.loop] ?? [],
    read: outlines.map((one) => readOutline(one, style)),
    take: (outline: number, loop = 0): void => setHand({ outline, loop }),
    /** One outline more, in the view at hand, all round the piece. */
    add: (): void => {
      setOutlines([
        ...outlines,
        fresh(
          now?.view ?? 'front',
          outlines.map(({ id }) => id),
        ),
      ]);
      setHand({ outline: outlines.length, loop: 0 });
    },
    strike: (): void => {
      setOutlines(outlines.filter((_, i) => i !== hand.outline));
      setHand({ outline: 0, loop: 0 });
    },
    /** In another view one that is still all round the piece is so there; any other keeps its corners, holes and depths. It keeps its name. */
    lookFrom: (view: OutlineView): void => {
      if (!now) return;
      const untouched = JSON.stringify(said(now)) === JSON.stringify(said(fresh(now.view, [])));
      put(untouched ? { ...fresh(view, []), id: now.id } : { view });
    },
    /** A hole in the middle of it, a third as wide and as high. */
    addHole: (): void => {
      if (!now) return;
      const points = readOutline(now, style).loops[0]?.flatMap(({ at }) => (at ? [at] : [])) ?? [];
      const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
      const third = (values: readonly number[]): readonly [number, number] => {
        const [low, high] = [Math.min(...values), Math.max(...values)];
        return [low + (high - low) / 3, high - (high - low) / 3];
      };
      put({ loops: [...now.loops, typed(box(...third(xs), ...third(ys)))] });
      setHand({ ...hand, loop: now.loops.length });
    },
    strikeHole: (): void => {
      put({ loops: (now?.loops ?? []).filter((_, i) => i !== hand.loop) });
      setHand({ ...hand, loop: 0 });
    },
    change: (key: number, to: Partial<CornerTyped>): void =>
      putLoop((now?.loops[hand.loop] ?? []).map((one) => (one.key === key ? { ...one, ...to } : one))),
    strikeCorner: (key: number): void => putLoop((now?.loops[hand.loop] ?? []).filter((one) => one.key !== key)),
    addCorner: (at: { readonly x: number; readonly y: number }, after?: number): void => {
      const loop = now?.loops[hand.loop] ?? [];
      const place = after === undefined ? loop.length : after + 1;
      const key = Math.max(-1, ...loop.map((one) => one.key)) + 1;
      putLoop([...loop.slice(0, place), ...typed([{ ...at, bulge: 0 }], key), ...loop.slice(place)]);
    },
    moveCorner: (index: number, at: { readonly x: number; readonly y: number }): void =>
      putLoop(
        (now?.loops[hand.loop] ?? []).map((one, i) => (i === index ? { ...one, x: print(at.x), y: print(at.y) } : one)),
      ),
  };
}

export type Outlines = ReturnType<typeof useOutlines>;
