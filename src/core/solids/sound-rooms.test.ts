import { describe, expect, it } from 'vitest';
import { applyChange } from '@/core/record';
import { at } from '@/core/base';
import { writeFindings } from '@/core/formats/findings';
import { faultyRoom, PLANTED, soundRoom } from '@/testing';
import { bodiesOf, contradictionsOf } from './index';

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
        expect(
          left.some((one) => one.kind === kind && one.about === about),
          `seed ${seed}: ${remedy.label}`,
        ).toBe(false);
      }
    }
    expect(kinds.size).toBe(PLANTED);
    for (const [kind, count] of kinds) expect(count, kind).toBeGreaterThan(15);
  });
});
