import { describe, expect, it } from 'vitest';
import { placeOf } from './place';

describe('the address of a project', () => {
  it('names it and its stage, whatever signs its id has', () => {
    expect(placeOf('/project/tea-room/stand')).toEqual({ id: 'tea-room', stage: 'stand' });
    expect(placeOf(`/project/${encodeURIComponent('a/b % c')}/draw/`)).toEqual({ id: 'a/b % c', stage: 'draw' });
  });
  it.each([
    '/project',
    '/project/tea-room',
    '/project//stand',
    '/project/a/b/c',
    '/other/a/b',
    '/project/%E0%A4%A/stand',
  ])('%s names nothing', (address) => expect(placeOf(address)).toBeNull());
});
