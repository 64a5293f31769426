import { at } from '@/core/base';
import {
  ball,
  block,
  cone,
  drum,
  group,
  partsBody,
  prism,
  ring,
  turned,
  turnedAxes,
  type Axes,
  type Body,
  type Part,
} from '@/core/solids';
import { setUpFrom, type SetUp } from '@/core/view';

const WORLD: Axes = {
  origin: { x: 0, y: 0, z: 0 },
  x: { x: 1, y: 0, z: 0 },
  y: { x: 0, y: 1, z: 0 },
  z: { x: 0, y: 0, z: 1 },
};

export const ROUND_SCENES = [
  'leg on rug',
  'ball behind shelf',
  'clock on wall',
  'frustum through board',
  'arch before ball',
  'turned things',
] as const;

type Random = () => number;
const between = (random: Random, low: number, high: number): number => low + (high - low) * random();

const SCENES: Readonly<Record<(typeof ROUND_SCENES)[number], (random: Random) => readonly (readonly Part[])[]>> = {
  'leg on rug': (random) => {
    const [r, h] = [between(random, 15, 60), between(random, 300, 700)];
    const round = random() < 0.5;
    const legs = [0, 1, 2].map((i) => {
      const [x, y] = [250 * Math.cos(i * 2.1), 250 * Math.sin(i * 2.1)];
      return random() < 0.5 ? drum(`leg-${i}`, [x, y, 12], r, h) : cone(`leg-${i}`, [x, y, 12], r * 0.6, r, h);
    });
    return [
      [round ? drum('rug', [0, 0, 0], 700, 12) : block('rug', [-600, 600], [-450, 450], [0, 12])],
      [...legs, drum('top', [0, 0, 12 + h], 400, between(random, 20, 60))],
    ];
  },
  'ball behind shelf': (random) => [
    [
      ...[0, 1, 2].map((i) => block(`board-${i}`, [-500, 500], [0, 250], [i * 350, i * 350 + 22])),
      block('left', [-522, -500], [0, 250], [0, 722]),
      block('right', [500, 522], [0, 250], [0, 722]),
    ],
    [0, 1, 2].map((i) => {
      const radius = between(random, 40, 150);
      // Every other one stands exactly on a board.
      return ball(
        `ball-${i}`,
        i % 2 === 0
          ? [between(random, -330, 330), 125, 22 + radius]
          : [between(random, -400, 400), between(random, 260, 600) + radius, between(random, 100, 700)],
        radius,
      );
    }),
  ],
  'clock on wall': (random) => [
    [block('wall', [-1000, 1000], [-100, 0], [0, 1500])],
    [
      drum('case', [between(random, -300, 300), 0, between(random, 500, 1100)], between(random, 100, 250), 50, 'y'),
      ring('rim', [between(random, -300, 300), 50, between(random, 500, 1100)], 120, 150, 30, 'y'),
    ],
    [block('shelf', [-400, 400], [0, 200], [400, 430]), drum('vase', [between(random, -300, 300), 100, 430], 60, 240)],
  ],
  'frustum through board': (random) => [
    [block('board', [-400, 400], [-300, 300], [between(random, 200, 300), between(random, 301, 340)])],
    [
      cone(
        'cone',
        [between(random, -350, 350), between(random, -250, 250), 0],
        between(random, 50, 200),
        between(random, 0, 80),
        600,
      ),
      drum('post', [between(random, -350, 350), -500, between(random, 150, 350)], between(random, 30, 90), 1000, 'y'),
    ],
    [group('tilted', [0, 0, 0], between(random, 0, 90), [ball('ball', [200, 100, 320], between(random, 60, 150))])],
  ],
  'arch before ball': (random) => {
    const half = between(random, 200, 400);
    return [
      [
        prism(
          'wall',
          'y',
          [0, between(random, 60, 250)],
          [
            [-900, 0],
            [900, 0],
            [900, 1400],
            [-900, 1400],
          ],
          [
            // An arch over a straight-sided opening; the side from the right spring to the left bends outward.
            [
              [-half, 100],
              [half, 100],
              [half, 700, between(random, 0.3, 1)],
              [-half, 700],
            ],
          ],
        ),
      ],
      [ball('ball', [between(random, -400, 400), -500, between(random, 200, 900)], between(random, 100, 300))],
      [drum('column', [between(random, -500, 500), 500, 0], 70, between(random, 600, 1200))],
    ];
  },
  'turned things': (random) => [
    [
      turned(
        'vase',
        [0, 0, 0],
        [
          { r: 0, h: 0 },
          { r: 80, h: 0 },
          { r: between(random, 90, 160), h: 120, smooth: true },
          { r: 100, h: 300, ball: 300 - 20 },
          { r: 60, h: 380 },
          { r: 60, h: 420 },
          { r: 0, h: 420 },
        ],
      ),
    ],
    [drum('rod', [-500, between(random, -120, 120), between(random, 80, 300)], between(random, 10, 50), 1000, 'x')],
    [ring('ring', [between(random, -300, 300), 0, between(random, 0, 300)], 150, 200, 40)],
  ],
};

/** Bodies with round parts and a place to see them from: touching, standing on and running through one another. */
export function roundScene(
  name: (typeof ROUND_SCENES)[number],
  random: Random,
): { readonly bodies: readonly Body[]; readonly setUp: SetUp } {
  const turn = random() < 0.3 ? 0 : between(random, 0, 360);
  const bodies = SCENES[name](random).map((parts, i) => partsBody(`b${i}`, parts, turnedAxes(WORLD, [0, 0, 0], turn)));
  const bearing = between(random, 0, 360);
  const radians = (bearing * Math.PI) / 180;
  const far = between(random, 1300, 3500);
  return {
    bodies,
    setUp: setUpFrom({
      station: {
        x: -far * Math.sin(radians) + between(random, -200, 200),
        y: -far * Math.cos(radians) + between(random, -200, 200),
      },
      bearingDeg: bearing,
      // Now and then exactly level with something.
      eyeHeight: at([between(random, 50, 1700), between(random, 500, 1700), 722, 12], Math.floor(random() * 4)),
      floor: 0,
      pictureDistance: far,
      scaleDenominator: 10,
    }),
  };
}
