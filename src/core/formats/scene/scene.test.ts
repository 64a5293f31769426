import { describe, expect, it } from 'vitest';
import { readScene, writeVisible } from './index';

const camera = { eye: [1, 2, 3], viewDir: [0.6, 0.8, 0], pictureDistance: 250 };
const faces = [
  [
    [0, 1000, 0],
    [100, 1000, 0],
    [100, 1000, 100],
  ],
];
const read = (value: unknown) => readScene(typeof value === 'string' ? value : JSON.stringify(value));

describe('a neutral scene', () => {
  it('is read with what is usual for near plane and window', () => {
    const result = read({ camera, faces });
    if (!result.ok) throw new Error(result.error.message);
    const { sight, scene } = result.value;
    expect(scene.faces).toEqual(faces);
    expect(sight).toEqual({
      eye: { x: 1, y: 2, z: 3 },
      right: { x: 0.8, y: -0.6, z: 0 },
      up: { x: 0, y: 0, z: 1 },
      forward: { x: 0.6, y: 0.8, z: 0 },
      viewingDistance: 250,
      frame: { left: -250, bottom: -250, right: 250, top: 250 },
      near: 100,
    });
    const framed = read({ camera: { ...camera, near: 5, window: [-10, -20, 30, 40] }, faces });
    expect(framed.ok && [framed.value.sight.near, framed.value.sight.frame]).toEqual([
      5,
      { left: -10, bottom: -20, right: 30, top: 40 },
    ]);
  });
  it.each<[string, unknown, string, RegExp]>([
    ['no JSON', '{', '', /not JSON/],
    ['a list', 'null', '', /camera and faces/],
    ['no camera', { faces }, 'camera', /eye, viewDir/],
    ['an eye of two numbers', { camera: { ...camera, eye: [1, 2] }, faces }, 'camera.eye', /three numbers/],
    [
      'a direction that is too long',
      { camera: { ...camera, viewDir: [1, 1, 0] }, faces },
      'camera.viewDir',
      /length 1/,
    ],
    [
      'no picture distance',
      { camera: { ...camera, pictureDistance: 0 }, faces },
      'camera.pictureDistance',
      /more than 0/,
    ],
    ['a near plane behind the eye', { camera: { ...camera, near: -1 }, faces }, 'camera.near', /more than 0/],
    ['half a window', { camera: { ...camera, window: [0, 1] }, faces }, 'camera.window', /four numbers/],
    ['faces that are no list', { camera, faces: 3 }, 'faces', /list of polygons/],
    [
      'a corner that is no number',
      {
        camera,
        faces: [
          [
            [0, 0, 0],
            [1, 0, 0],
            [0, 'x', 0],
          ],
        ],
      },
      'faces[0]',
      /three or more/,
    ],
    [
      'a bent face',
      {
        camera,
        faces: [
          ...faces,
          [
            [0, 0, 0],
            [9, 0, 0],
            [9, 9, 0],
            [0, 9, 1],
          ],
        ],
      },
      'faces[1]',
      /not flat/,
    ],
  ])('refuses %s with its place', (_, value, path, message) => {
    const result = read(value);
    if (result.ok) throw new Error('it was read');
    expect(result.error.path).toBe(path);
    expect(result.error.message).toMatch(message);
  });
  it('visible stretches are written in full precision, and a figure that is none is a bug', () => {
    const text = writeVisible(Float64Array.from([0.1, 1 / 3, -2, 4e-7]), 1.5);
    expect(JSON.parse(text)).toEqual({ segments: [[0.1, 1 / 3, -2, 4e-7]], ms: 1.5 });
    expect(JSON.parse(writeVisible(new Float64Array(), 0))).toEqual({ segments: [], ms: 0 });
    expect(() => writeVisible(Float64Array.from([0, NaN, 1, 1]), 0)).toThrow(/finite/);
  });
});
