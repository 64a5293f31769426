import { sceneOf } from '@/core/pipeline';
import { describe, expect, it } from 'vitest';
import type { MeasuredRoom } from '@/core/record';
import { setUpFrom } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { boxPiece, smallRoom } from '@/testing';
import { serveLines } from './serve-lines';
import { receiveRecord, sendRecord, type RecordSent } from './sent-record';

/** What the worker makes of it on its side: nothing of the page's own crosses. */
const crossed = (before: MeasuredRoom | null, now: MeasuredRoom): RecordSent =>
  structuredClone(sendRecord(before, now));
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
  it('is sent as what an edit touched, and shares all else with the one before', () => {
    const whole = receiveRecord(null, crossed(null, first));
    expect(whole).toEqual(first);
    // What is left alone is the very same on this side too.
    const [a] = first.pieces;
    const edited = { ...first, pieces: [...second.pieces.slice(1), ...(a ? [a] : [])] };
    const sent = crossed(first, edited);
    expect('others' in sent.pieces && sent.pieces.others).toEqual(second.pieces.slice(1));
    const received = receiveRecord(whole, sent);
    expect(received).toEqual(edited);
    expect(received.pieces[2]).toBe(whole.pieces[0]);
    expect(received.spaces).toBe(whole.spaces);
    expect(receiveRecord(whole, crossed(first, first)).pieces).toBe(whole.pieces);
    expect(receiveRecord(whole, crossed(first, { ...first, pieces: [] })).pieces).toEqual([]);
  });
  it('what is made of it is taken over, and the lines are those of a scene made anew', async () => {
    const whole = receiveRecord(null, crossed(null, first));
    const [a] = first.pieces;
    const edited = { ...first, pieces: [...(a ? [a] : []), ...second.pieces.slice(1)] };
    const before = sceneOf(whole);
    const after = sceneOf(receiveRecord(whole, crossed(first, edited)), before);
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
    let held: MeasuredRoom | null = null;
    for (const [revision, record] of [first, edited, second, first].entries()) {
      worker.keepScene({ revision, after: held && revision - 1, record: crossed(held, record) });
      held = record;
      const reply = await worker.lines({ job: revision, revision, given, frame }, () => undefined);
      if (reply.kind !== 'lines') throw new Error(reply.kind);
      const anew = drain(visibleLinesExact(sceneOf(structuredClone(record)).prepared, setUpFrom(given), frame));
      expect(reply.lines.picture).toEqual(anew.picture);
      expect(reply.lines.edge).toEqual(anew.edge);
    }
  });
  it('told from a room that the worker does not hold it is not taken for one', async () => {
    const worker = serveLines(() => 0);
    const given = { station: { x: 0, y: -2500 }, eyeHeight: 1600, floor: 0, bearingDeg: 0, pictureDistance: 2500 };
    worker.keepScene({ revision: 7, after: 6, record: crossed(first, second) });
    const reply = await worker.lines(
      {
        ...{ job: 1, revision: 7, given: { ...given, scaleDenominator: 20 } },
        frame: { left: -180, right: 180, bottom: -120, top: 120 },
      },
      () => undefined,
    );
    expect(reply).toEqual({ kind: 'stale-scene', job: 1 });
  });
});
