import type { Sight } from '@/core/visibility';

/** An eye that looks level along +y, at 250 mm viewing distance, with as much in the frame to every side. */
export const straightSight = (change: Partial<Sight> = {}): Sight => ({
  eye: { x: 0, y: -500, z: 1600 },
  right: { x: 1, y: 0, z: 0 },
  up: { x: 0, y: 0, z: 1 },
  forward: { x: 0, y: 1, z: 0 },
  viewingDistance: 250,
  frame: { left: -250, right: 250, bottom: -250, top: 250 },
  near: 100,
  ...change,
});
