import { sceneOf } from '@/core/pipeline';
import { describe, expect, it } from 'vitest';
import type { MeasuredRoom } from '@/core/record';
import { setUpFrom } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { boxPiece, smallRoom } from '@/testing';
import { serveLines } from './serve-lines';
import { sharedRecord } from './shared-record';

const copied = (record: MeasuredRoom): MeasuredRoom => structuredClone(record);
const roomOf = (...pieces: Parameters<typeof smallRoom>[0] & object): MeasuredRoom => {
  const { levels, spaces, openings, pieces: all, surfaces } = smallRoom(pieces);
  return { levels, spaces, openings, pieces: all, surfaces };
};
const first = roomOf(boxPiece({ id: 'a' }), boxPiece({ id: 'b', fromWest: 2200 }));
const second = roomOf(
  boxPiece({ id: 'a' }),
  boxPiece({ id: 'b', fromWest: 2300 }),
  boxPiece({ id: 'c', fromNorth: 1500 }),
);

describe('a record that crossed to a worker', () => {
  it('shares with the one before what an edit left alone, and nothing else', () => {
    const shared = sharedRecord(first, copied(second));
    expect(shared).toEqual(second);
    expect(shared.pieces[0]).toBe(first.pieces[0]);
    expect(shared.pieces[1]).not.toBe(first.pieces[1]);
    expect(shared.spaces).toBe(first.spaces);
    expect(sharedRecord(first, copied(first)).pieces).toBe(first.pieces);
  });
  it('what is made of it is taken over, and the lines are those of a scene made anew', async () => {
    const before = sceneOf(first);
    const after = sceneOf(sharedRecord(first, copied(second)), before);
    const body = (scene: typeof before, id: string) => scene.bodies.find((one) => one.id === id);
    expect(body(after, 'a')).toBe(body(before, 'a'));
    expect(body(after, 'b')).not.toBe(body(before, 'b'));
    const given = {
      station: { x: 2000, y: -2500 },
      eyeHeight: 1600,
      floor: 0,
      bearingDeg: 0,
      pictureDistance: 2500,
      scaleDenominator: 20,
    };
    const frame = { left: -180, right: 180, bottom: -120, top: 120 };
    const worker = serveLines(() => 0);
    for (const [revision, record] of [first, second, first].entries()) {
      worker.keepScene({ revision, record: copied(record) });
      const reply = await worker.lines({ job: revision, revision, given, frame }, () => undefined);
      if (reply.kind !== 'lines') throw new Error(reply.kind);
      const anew = drain(visibleLinesExact(sceneOf(copied(record)).prepared, setUpFrom(given), frame));
      expect(reply.lines.picture).toEqual(anew.picture);
      expect(reply.lines.edge).toEqual(anew.edge);
    }
  });
});
