import { seededRandom } from '@/core/base';
import { PIECE_CORNERS, type Project } from '@/core/record';
import { boxPiece, boxView, smallRoom } from './small-room';

export interface BoxScene {
  readonly seed: number;
  readonly project: Project;
}

/** A seeded room with one or more boxes and a random stand: the picture plane in front of, through or behind the boxes. */
export function randomBoxScene(seed: number, boxes = 1): BoxScene {
  const random = seededRandom(seed);
  const between = (low: number, high: number): number => low + random() * (high - low);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const pieces = Array.from({ length: boxes }, (_, index) =>
    boxPiece({
      id: `box-${index + 1}`,
      width: Math.round(between(200, 1800)),
      depth: Math.round(between(200, 900)),
      height: Math.round(between(50, 2300)),
      lift: random() < 0.3 ? Math.round(between(100, 1400)) : 0,
      corner: pick(PIECE_CORNERS),
      fromNorth: Math.round(between(300, 2500)),
      fromWest: Math.round(between(300, 3500)),
      turnDeg: pick([0, 90, 180, 270, 15, 37.5, 212.25, Math.round(between(0, 359))]),
    }),
  );
  const bearing = pick([0, 0, 90, 30, 45, 337.5, 15.25, Math.round(between(0, 359))]);
  const radians = (bearing * Math.PI) / 180;
  const back = between(3200, 6000);
  const station = {
    x: Math.round(2000 - Math.sin(radians) * back + between(-600, 600)),
    y: Math.round(1500 - Math.cos(radians) * back + between(-600, 600)),
  };
  const view = boxView({
    station,
    lineOfSightBearingDeg: bearing,
    eyeHeight: { mm: Math.round(between(1000, 1750)), asTyped: '' },
    picturePlane: pick([
      { through: 'distance', mm: Math.round(between(800, 3000)) } as const,
      { through: 'distance', mm: Math.round(back) } as const,
      { through: 'point', x: 2000, y: 1500 } as const,
    ]),
    scaleDenominator: pick([10, 20, 24, 25]),
    frame: { left: -250, right: 250, bottom: -180, top: 180 },
  });
  return { seed, project: smallRoom(pieces, view) };
}
