import { describe, expect, it } from 'vitest';
import { readTicks } from './index';

const sound = {
  kind: 'bathyskop-ticks',
  version: 1,
  projectId: 'room',
  viewId: 'view',
  drawn: ['horizon', 'firm edge'],
};
const reason = (text: string): string => {
  const read = readTicks(text);
  return read.ok ? 'read' : read.error.reason;
};

describe('a file of ticks', () => {
  it('is read as it was given back', () =>
    expect(readTicks(JSON.stringify(sound))).toEqual({
      ok: true,
      value: { projectId: 'room', viewId: 'view', digest: null, drawn: ['horizon', 'firm edge'] },
    }));
  it('says which plan it was set on, where it does', () =>
    expect(readTicks(JSON.stringify({ ...sound, digest: 'abc' }))).toMatchObject({ value: { digest: 'abc' } }));
  it.each([
    ['', 'not-json'],
    ['null', 'other-kind'],
    [JSON.stringify({ kind: 'bathyskop-project' }), 'other-kind'],
    [JSON.stringify({ ...sound, version: 2 }), 'newer'],
    [JSON.stringify({ ...sound, viewId: 3 }), 'broken'],
    [JSON.stringify({ ...sound, drawn: 'all' }), 'broken'],
    [JSON.stringify({ ...sound, drawn: ['a', 1] }), 'broken'],
    [JSON.stringify({ ...sound, drawn: new Array(200_001).fill('a') }), 'broken'],
  ])('what is none is refused in words: %.40s', (text, why) => expect(reason(text)).toBe(why));
});
