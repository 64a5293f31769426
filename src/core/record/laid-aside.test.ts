import { describe, expect, it } from 'vitest';
import { boxPiece, boxView, smallRoom } from '@/testing';
import { applyChange, partRings, toldOfRecord, toldOfView, type Change, type Project, type RingTold } from './index';

const room = (): Project => smallRoom([boxPiece({ id: 'shelf' }), boxPiece({ id: 'desk', fromWest: 2000 })]);
const through: RingTold = toldOfRecord({ kind: 'through-wall', about: 'shelf', of: ['north', 20] });
const done = (project: Project, ...changes: Change[]): Project =>
  changes.reduce((now, change) => {
    const next = applyChange(now, change);
    if (!next.ok) throw new Error(next.error.message);
    return next.value;
  }, project);
const laid = (ring: RingTold = through, reason = 'scribed to the wall'): Project =>
  done(room(), { kind: 'lay-aside', ring, reason });
const part = (project: Project, ...rings: RingTold[]) => partRings(rings, (ring) => ring, project);

describe('rings laid aside', () => {
  it('stay aside with their reason while they are told of the same', () => {
    const parted = part(laid(), through, { ...through, about: 'desk' });
    expect(parted.aside.map(({ ring, laid: { reason } }) => [ring.about, reason])).toEqual([
      ['shelf', 'scribed to the wall'],
    ]);
    expect(parted.open.map((ring) => [ring.about, ring.before])).toEqual([['desk', null]]);
    // A thousandth more is the same figure worked out anew.
    expect(part(laid(), { ...through, of: ['north', 20.4] }).open).toEqual([]);
  });
  it('are rung again when their figures change, with what was said before; not for another thing', () => {
    expect(part(laid(), { ...through, of: ['north', 200] }).open.map((ring) => ring.before)).toEqual([
      'scribed to the wall',
    ]);
    expect(part(laid(), { ...through, of: ['east', 20] }).open.map((ring) => ring.before)).toEqual([null]);
    expect(part(laid(), { ...through, kind: 'floats' }).open.map((ring) => ring.before)).toEqual([null]);
  });
  it('what is said again of the same matter replaces what was said before', () => {
    const again = done(laid(), { kind: 'lay-aside', ring: { ...through, of: ['north', 35] }, reason: 'let in' });
    expect(again.laidAside.map(({ reason }) => reason)).toEqual(['let in']);
    const other = done(laid(), { kind: 'lay-aside', ring: { ...through, of: ['east', 35] }, reason: 'let in' });
    expect(other.laidAside.map(({ reason }) => reason)).toEqual(['scribed to the wall', 'let in']);
    expect(new Set(other.laidAside.map(({ id }) => id)).size).toBe(2);
  });
  it('want a reason, and are taken up again', () => {
    const none = applyChange(room(), { kind: 'lay-aside', ring: through, reason: '  ' });
    expect(none.ok ? '' : none.error.message).toBe('Say why the ring may be laid aside.');
    const [one] = laid().laidAside;
    expect(done(laid(), { kind: 'ring-again', id: one?.id ?? '' }).laidAside).toEqual([]);
  });
  it('go with the thing and with the view they were about', () => {
    expect(done(laid(), { kind: 'remove-things', ids: ['shelf'] }).laidAside).toEqual([]);
    expect(done(laid(), { kind: 'remove-things', ids: ['desk'] }).laidAside).toHaveLength(1);
    const other = boxView({ id: 'other', name: 'Other' });
    const cone = toldOfView(other, { kind: 'outside-cone', about: null });
    const two = done(room(), { kind: 'add-view', view: other }, { kind: 'lay-aside', ring: cone, reason: 'wanted so' });
    expect(done(two, { kind: 'remove-view', viewId: 'view' }).laidAside).toHaveLength(1);
    expect(done(two, { kind: 'remove-view', viewId: 'other' }).laidAside).toEqual([]);
  });
  it('of a view: until one stands, looks or frames otherwise, and in that view only', () => {
    const view = boxView({});
    const told = (change: Partial<typeof view>) =>
      toldOfView({ ...view, ...change }, { kind: 'outside-cone', about: 'desk', also: ['shelf'] });
    const project = laid(told({}), 'a wide corner is wanted');
    expect(part(project, told({})).aside).toHaveLength(1);
    for (const change of [
      { station: { ...view.station, x: view.station.x + 10 } },
      { lineOfSightBearingDeg: view.lineOfSightBearingDeg + 5 },
      { frame: { ...view.frame, right: view.frame.right + 10 } },
      { eyeHeight: { mm: view.eyeHeight.mm + 100, asTyped: '' } },
    ])
      expect(part(project, told(change)).open.map(({ before }) => before)).toEqual(['a wide corner is wanted']);
    expect(part(project, told({ id: 'other' })).open.map(({ before }) => before)).toEqual([null]);
  });
});
