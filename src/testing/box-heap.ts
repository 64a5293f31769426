import { seededRandom } from '@/core/base';

export type Polygon = readonly (readonly [number, number, number])[];

/** Six faces of a box, counter-clockwise from outside, turned clockwise about its corner. */
export function boxFaces(x: number, y: number, z: number, w: number, d: number, h: number, turnDeg = 0): Polygon[] {
  const [s, c] = [Math.sin((turnDeg * Math.PI) / 180), Math.cos((turnDeg * Math.PI) / 180)];
  const corner = (i: number, j: number, k: number): readonly [number, number, number] => {
    const [px, py] = [i * w, j * d];
    return turnDeg === 0 ? [x + px, y + py, z + k * h] : [x + px * c + py * s, y - px * s + py * c, z + k * h];
  };
  return [
    [corner(0, 0, 0), corner(0, 1, 0), corner(1, 1, 0), corner(1, 0, 0)],
    [corner(0, 0, 1), corner(1, 0, 1), corner(1, 1, 1), corner(0, 1, 1)],
    [corner(0, 0, 0), corner(1, 0, 0), corner(1, 0, 1), corner(0, 0, 1)],
    [corner(1, 0, 0), corner(1, 1, 0), corner(1, 1, 1), corner(1, 0, 1)],
    [corner(1, 1, 0), corner(0, 1, 0), corner(0, 1, 1), corner(1, 1, 1)],
    [corner(0, 1, 0), corner(0, 0, 0), corner(0, 0, 1), corner(0, 1, 1)],
  ];
}

/**
 * A heap of boxes on a hundred-millimetre raster, so that most touch: stood on each other, side by side, flush; some run through each other by
 * mistake, some are turned. All of it lies ahead of the eye at the origin's side.
 */
export function boxHeap(seed: number, boxes: number): readonly Polygon[] {
  const random = seededRandom(seed);
  const whole = (low: number, high: number): number => Math.floor(low + random() * (high - low + 1));
  const faces: Polygon[] = [];
  let last: readonly [number, number, number, number, number, number] = [0, 3000, 0, 400, 400, 400];
  for (let i = 0; i < boxes; i += 1) {
    const [w, d, h] = [whole(1, 8) * 100, whole(1, 8) * 100, whole(1, 8) * 100];
    const how = random();
    const [lx, ly, lz, lw, ld, lh] = last;
    const at: readonly [number, number, number] =
      how < 0.25
        ? [lx, ly, lz + lh]
        : how < 0.5
          ? [lx + lw, ly, lz]
          : how < 0.65
            ? [lx, ly + ld, lz]
            : how < 0.75
              ? [lx + 50, ly + 50, lz + 50]
              : [whole(-15, 15) * 100, whole(22, 60) * 100, whole(0, 12) * 100];
    const turned = random() < 0.2;
    faces.push(...boxFaces(...at, w, d, h, turned ? whole(1, 89) : 0));
    last = [...at, w, d, h];
  }
  return faces;
}

/**
 * A room furnished with boxes in rows, as many edges as wanted: the picture gets finer with their number, so that its crossings grow in
 * proportion to them.
 */
export function boxRows(seed: number, boxes: number): readonly Polygon[] {
  const random = seededRandom(seed);
  const side = Math.ceil(Math.sqrt(boxes));
  const pitch = 8000 / side;
  const faces: Polygon[] = [];
  for (let i = 0; i < boxes; i += 1) {
    const [column, row] = [i % side, Math.floor(i / side)];
    const [w, d, h] = [0.3 + 0.7 * random(), 0.3 + 0.7 * random(), 0.3 + 2 * random()].map((share) => share * pitch);
    faces.push(
      ...boxFaces(
        -4000 + column * pitch,
        2500 + row * pitch,
        0,
        w ?? 0,
        d ?? 0,
        h ?? 0,
        random() < 0.3 ? random() * 90 : 0,
      ),
    );
  }
  return faces;
}
