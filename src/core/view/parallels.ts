import { length3, type Vector3 } from '@/core/geometry';
import type { PicturePoint } from '@/core/space';
import { degreesFromRadians, type Degrees } from '@/core/units';
import { familyOf, type LineFamily } from './family';
import type { SetUp } from './set-up';
import { vanishingPoint } from './vanishing-point';

/** One family of parallels, known by where it vanishes. */
export interface Parallels {
  /** Unit direction, away from the viewer; of what stays parallel to the picture, to the right or upward. */
  readonly direction: Vector3;
  readonly family: LineFamily;
  /** null: they stay parallel to themselves in the picture. */
  readonly vanishing: PicturePoint | null;
  /** How steeply they rise as they recede, −90 to 90. */
  readonly slopeDeg: Degrees;
}

/** Directions nearer to each other than this share their parallels: 1e-6 rad is 0.01 mm in 10 m. */
const SAME = 1e-6;

/** Sorts directions into families of parallels: asked with a direction it answers with the same family for all that are parallel. */
export class ParallelsOf {
  private readonly cells = new Map<string, Parallels[]>();
  readonly list: Parallels[] = [];

  constructor(
    private readonly setUp: SetUp,
    private readonly roomTurnDeg: Degrees,
  ) {}

  of(given: Vector3): Parallels {
    const size = length3(given);
    let d = { x: given.x / size, y: given.y / size, z: given.z / size };
    const { forward: f, right: r } = this.setUp;
    const away = d.x * f.x + d.y * f.y;
    const across = d.x * r.x + d.y * r.y;
    // Of two senses the one that recedes; of what does not recede, rightward or upward.
    const sense = Math.abs(away) > 1e-9 ? away : Math.abs(across) > 1e-9 ? across : d.z;
    if (sense < 0) d = { x: -d.x, y: -d.y, z: -d.z };
    const cell = (v: number): number => Math.round(v * 1e4);
    const [i, j, k] = [cell(d.x), cell(d.y), cell(d.z)];
    for (let a = i - 1; a <= i + 1; a += 1)
      for (let b = j - 1; b <= j + 1; b += 1)
        for (let c = k - 1; c <= k + 1; c += 1)
          for (const known of this.cells.get(`${a},${b},${c}`) ?? []) {
            const e = known.direction;
            if (Math.hypot(e.x - d.x, e.y - d.y, e.z - d.z) < SAME) return known;
          }
    const point = vanishingPoint(this.setUp, d);
    const made: Parallels = {
      direction: d,
      family: familyOf(this.setUp, this.roomTurnDeg, d),
      vanishing: point.kind === 'point' ? point.at : null,
      slopeDeg: degreesFromRadians(Math.atan2(d.z, Math.hypot(d.x, d.y))),
    };
    const key = `${i},${j},${k}`;
    const list = this.cells.get(key);
    if (list) list.push(made);
    else this.cells.set(key, [made]);
    this.list.push(made);
    return made;
  }
}
