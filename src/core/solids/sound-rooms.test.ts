import { describe, expect, it } from 'vitest';
import { applyChange } from '@/core/record';
import { at } from '@/core/base';
import { writeFindings } from '@/core/formats/findings';
import { boxPiece, faultyRoom, PLANTED, size, smallRoom, soundRoom } from '@/testing';
import { bodiesOf, contradictionsOf, newOpening, openingKindOf } from './index';

interface Told {
  readonly contradictions: readonly {
    readonly kind: string;
    readonly about: { readonly id: string; readonly name: string };
    readonly message: string;
  }[];
}

describe('contradictions of furnished rooms', () => {
  it('200 sound ones, with bays, arms of an L, openings and flush pieces, have none (seeds 1…)', () => {
    let pieces = 0;
    for (let seed = 1; seed <= 200; seed += 1) {
      const { project } = soundRoom(seed);
      pieces += project.pieces.length;
      expect(
        contradictionsOf(project).map((one) => one.message),
        `seed ${seed}`,
      ).toEqual([]);
    }
    expect(pieces).toBeGreaterThan(800);
  });
  it('in 200 with one fault planted the fault is told, of the thing it is in (seeds 1…)', () => {
    const kinds = new Map<string, number>();
    for (let seed = 1; seed <= 200; seed += 1) {
      const planted = faultyRoom(seed);
      if (!planted) continue;
      const { project, kind, about } = planted;
      const found = contradictionsOf(project);
      // Places are told from the bodies: dear, and asked for in one of ten.
      const bodies = seed % 10 === 0 ? bodiesOf(project) : [];
      const text = writeFindings(project, at(project.views, 0), bodies, found, []);
      const { contradictions } = JSON.parse(text) as Told;
      const own = contradictions.filter((one) => one.kind === kind && one.about.id === about);
      expect(own.length, `seed ${seed}: ${kind}; told ${contradictions.map((one) => one.message).join('; ')}`).toBe(1);
      expect(at(own, 0).message.length).toBeGreaterThan(20);
      kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
      // A way out that is offered leads out, and brings nothing new.
      for (const remedy of found.find((one) => one.kind === kind && one.about === about)?.remedies ?? []) {
        const edit = applyChange(project, remedy.change);
        if (!edit.ok) throw new Error(edit.error.message);
        const left = contradictionsOf(edit.value);
        const before = new Set(found.map((one) => one.kind));
        if (remedy.label.startsWith('Move it'))
          expect(
            left.map((one) => one.kind).filter((one) => !before.has(one)),
            `seed ${seed}: ${remedy.label}`,
          ).toEqual([]);
        expect(
          left.some((one) => one.kind === kind && one.about === about),
          `seed ${seed}: ${remedy.label}`,
        ).toBe(false);
      }
    }
    expect(kinds.size).toBe(PLANTED);
    for (const [kind, count] of kinds) expect(count, kind).toBeGreaterThan(15);
  });
  it('what stands in the other arm of a U goes through none of the walls between; pushed into one it does', () => {
    // Two arms, 1500 wide, with a solid of 1000 between them; the crate stands in the right one, its back to the solid.
    const room = smallRoom();
    const walls = (
      [
        [0, 3000],
        [90, 1500],
        [180, 2000],
        [90, 1000],
        [0, 2000],
        [90, 1500],
        [180, 3000],
        [270, 4000],
      ] as const
    ).map(([bearingDeg, mm], i) => ({
      ...at(at(room.spaces, 0).walls, 0),
      ...{ id: `u${i}`, name: `wall ${i}`, startCorner: `c${i}`, bearingDeg, length: size(`u${i}`, mm) },
    }));
    const told = (into: number): readonly string[] => {
      const piece = boxPiece({ id: 'crate', width: 600, depth: 400 });
      const place = {
        pieceCorner: 'back-left' as const,
        from: [
          { wallId: 'u4', distance: size('first', -into) },
          { wallId: 'u5', distance: size('second', 700) },
        ] as const,
        turnDeg: 0,
      };
      const spaces = [{ ...at(room.spaces, 0), walls }];
      return contradictionsOf({ ...room, spaces, pieces: [{ ...piece, place }] }).map((one) => one.message);
    };
    expect(told(0)).toEqual([]);
    expect(told(120)).toEqual([expect.stringMatching(/through wall 4 by 120/)]);
  });
  it('two rooms in one place are told only where they are on one level', () => {
    const room = smallRoom();
    const second = { ...at(room.spaces, 0), id: 'second', name: 'the second room', origin: { x: 500, y: 700 } };
    const upper = { ...at(room.levels, 0), id: 'upper', name: 'Upper floor' };
    const told = (levelId: string): readonly string[] =>
      contradictionsOf({
        ...room,
        levels: [...room.levels, upper],
        spaces: [at(room.spaces, 0), { ...second, levelId }],
      }).map((one) => one.kind);
    expect(told('upper')).toEqual([]);
    expect(told(at(room.levels, 0).id)).toEqual(['rooms-overlap']);
  });
  it('what stands in a doorway near a corner is offered only the way that stays in the room', () => {
    const declared = openingKindOf('door');
    if (!declared) throw new Error('a door');
    const at100 = { id: 'door', name: 'the door', wallId: 'north', fromCorner: 'nw', offset: 100 };
    const door = { ...newOpening(declared, at100, String), choices: { hinge: 'left', swing: 'away' } };
    const crate = boxPiece({ id: 'crate', fromNorth: 0, fromWest: 300, width: 500, depth: 400 });
    const found = contradictionsOf({ ...smallRoom([crate]), openings: [door] });
    expect(found.map((one) => one.kind)).toEqual(['in-doorway']);
    // 860 wide from 100: clear of it to the right at 960, 660 on; to the left it would stand 400 in the wall.
    expect(at(found, 0).remedies.map((one) => one.label.replace(/\s/g, ' '))).toEqual([
      'Move it 660 mm along the north wall',
    ]);
  });
});
