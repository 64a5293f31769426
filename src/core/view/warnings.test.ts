import { describe, expect, it } from 'vitest';
import { at } from '@/core/base';
import { changeView, type Project, type View } from '@/core/record';
import { bodiesOf } from '@/core/solids';
import { IMPERIAL_STYLE, METRIC_STYLE } from '@/core/units';
import { boxPiece, boxView, smallRoom, type BoxGiven } from '@/testing';
import {
  backOfRoom,
  BOX_SHARE,
  CORRIDOR_SHARE,
  OVER_MARGIN_MM,
  resolveSetUp,
  setOutOf,
  standAt,
  warnBackWall,
  warnCone,
  warnEdgeOn,
  warnEyeLevel,
  warnFrame,
  warnOneLine,
  warnMargins,
  warnReach,
  warnViewingDistance,
  type SeenPart,
  type ViewWarning,
} from './index';

function standing(pieces: readonly BoxGiven[], change: Partial<View>) {
  const view = boxView(change);
  const project = smallRoom(
    pieces.map((piece) => boxPiece(piece)),
    view,
  );
  return from(project);
}
function from(project: Project) {
  const view = at(project.views, 0);
  const setUp = resolveSetUp(project, view);
  if (!setUp.ok) throw new Error(setUp.error.message);
  const bodies = bodiesOf(project);
  const faces = new Set(bodies.flatMap((body) => body.faces.map((face) => face.id)));
  return { project, view, setUp: setUp.value, bodies, faces };
}
type Given = ReturnType<typeof from>;
type Warn = (given: Given) => readonly ViewWarning[];
const kinds = (warnings: readonly ViewWarning[]) => warnings.map((one) => one.kind);

/** Every remedy offered makes this warning go. */
function expectRemedied(given: Given, warn: Warn): void {
  const warnings = warn(given);
  expect(warnings.length).toBeGreaterThan(0);
  for (const warning of warnings) {
    expect(warning.remedies.length, warning.message).toBeGreaterThan(0);
    for (const remedy of warning.remedies) {
      const after = from(changeView(given.project, given.view.id, remedy.change));
      expect(
        warn(after).filter((one) => one.about === warning.about),
        `${remedy.label} for ${warning.message}`,
      ).toEqual([]);
    }
  }
}

describe('the viewing distance', () => {
  const warn: Warn = ({ project, view, setUp }) => warnViewingDistance(project, view, setUp, METRIC_STYLE);
  it('150 mm is enough, a hair less is not', () => {
    expect(warn(standing([], { station: { x: 2000, y: -3000 } }))).toEqual([]);
    const near = standing([], { station: { x: 2000, y: -2999 } });
    expect(kinds(warn(near))).toEqual(['viewing-distance']);
    expectRemedied(near, warn);
  });
  it('is told in inches where one counts in inches', () => {
    const { project, view, setUp } = standing([], { station: { x: 2000, y: -2000 } });
    expect(warnViewingDistance(project, view, setUp, IMPERIAL_STYLE)[0]?.message).toMatch(/from 3 15\/16"/);
  });
});

describe('the cone of vision', () => {
  const warn: Warn = ({ project, view, setUp, bodies }) => warnCone(project, view, setUp, bodies, METRIC_STYLE);
  // The box's near face lies 2100 behind the south wall, its sides 1000 off the line of sight, its top 100 above the eye.
  const box: BoxGiven = { width: 2000, depth: 100, height: 1700, fromNorth: 800, fromWest: 1000 };
  // Told from 31°, a degree past the cone: the depth is the distance off the axis over its tangent; the lower corners, 1600 below the eye, are the farthest off.
  const limit = Math.hypot(1000, 1600) / Math.tan((31 * Math.PI) / 180) - 2100;
  const tall = { left: -400, right: 400, bottom: -300, top: 300 };
  it('names what reaches past 30° by a degree, from there on and not before', () => {
    expect(warn(standing([box], { station: { x: 2000, y: -(limit + 1) }, frame: tall }))).toEqual([]);
    const outside = standing([box], { station: { x: 2000, y: -(limit - 1) }, frame: tall });
    expect(kinds(warn(outside))).toEqual(['outside-cone']);
    expectRemedied(outside, warn);
  });
  it('says whether sideways or up and down, and on which side', () => {
    const side = warn(
      standing([{ ...box, width: 300, fromWest: 3600, height: 1600 }], { station: { x: 600, y: -1500 }, frame: tall }),
    )[0];
    expect(side?.message).toMatch(/° off the line of sight, (down and )?to the right, outside/);
    // No figure but that of the angle itself stands beside the cone's: less than 30° to a side is not outside 30°.
    for (const [, figure] of side?.message.matchAll(/reaches (\d+)°/g) ?? [])
      expect(Number(figure)).toBeGreaterThan(30);
    const down = warn(
      standing([{ ...box, width: 300, fromWest: 1850 }], {
        station: { x: 2000, y: 400 },
        frame: tall,
        picturePlane: { through: 'distance', mm: 2000 },
      }),
    )[0];
    expect(down?.message).toMatch(/° off the line of sight, down.*, outside/);
  });
  it('what the frame cuts off troubles nobody; a piece that is not in the frame is not named', () => {
    const narrow = { left: -20, right: 20, bottom: -20, top: 20 };
    expect(
      warn(
        standing([box], { station: { x: 2000, y: 0 }, picturePlane: { through: 'distance', mm: 2000 }, frame: narrow }),
      ),
    ).toEqual([]);
  });
  it('what reaches behind the eye is another matter, with the step back that ends it', () => {
    // The box's far side is 2200 from the south wall, its near side 600: between them stands the viewer.
    const deep: BoxGiven = { width: 400, depth: 1600, height: 900, fromNorth: 800, fromWest: 1800 };
    const among = standing([deep], {
      station: { x: 2000, y: 700 },
      picturePlane: { through: 'wall', wallId: 'north' },
      frame: tall,
    });
    expect(kinds(warn(among))).toEqual(['behind-eye']);
    const back = from(changeView(among.project, among.view.id, at(at(warn(among), 0).remedies, 0).change));
    expect(kinds(warn(back))).not.toContain('behind-eye');
    expect(
      warn(
        standing([deep], {
          station: { x: 2000, y: 590 },
          picturePlane: { through: 'wall', wallId: 'north' },
          frame: tall,
        }),
      ).map((one) => one.kind),
    ).not.toContain('behind-eye');
  });
  it('the frame itself: 30° to a side is the last that passes', () => {
    const warnIt: Warn = ({ project, view, setUp }) => warnFrame(view, setUp, METRIC_STYLE, project);
    const k = 4000 / 20;
    const half = k * Math.tan(Math.PI / 6);
    const framed = (right: number) =>
      standing([], { station: { x: 2000, y: -4000 }, frame: { left: -50, right, bottom: -50, top: 50 } });
    expect(warnIt(framed(half - 0.01))).toEqual([]);
    const wide = framed(half + 0.05);
    expect(warnIt(wide)[0]?.message).toMatch(/30\.0° to the right/);
    // Cropped, only the side that reaches too far comes in; a narrow one stays where it is.
    const cropped = warnIt(wide)[0]?.remedies.find((one) => one.label.startsWith('Crop'))?.change.frame;
    expect(cropped).toEqual({ left: -50, right: expect.closeTo(half, 9) as number, bottom: -50, top: 50 });
    expectRemedied(wide, warnIt);
  });
});

describe('a level face at eye level', () => {
  const warn: Warn = ({ view, setUp, bodies, faces }) => warnEyeLevel(view, setUp, bodies, faces, METRIC_STYLE);
  // k = 200; the shelf's near edge is 6200 from the eye: half a millimetre of paper is 15.5 mm of height there.
  const shelf = (top: number): BoxGiven => ({
    width: 1500,
    depth: 300,
    height: top - 1000,
    lift: 1000,
    fromNorth: 500,
    fromWest: 900,
  });
  const view = { station: { x: 2000, y: -4000 } };
  it('warns within half a millimetre of the horizon and not beyond, above and below', () => {
    for (const side of [1, -1]) {
      expect(warn(standing([shelf(1600 + side * 15.6)], view)), `${side} outside`).toEqual([]);
      const level = standing([shelf(1600 + side * 15.4)], view);
      expect(kinds(warn(level)), `${side} inside`).toEqual(['eye-level']);
      expectRemedied(level, warn);
    }
  });
  it('only faces that are seen, and only those deep enough to be a surface', () => {
    const hidden = standing([shelf(1600)], view);
    expect(warnEyeLevel(hidden.view, hidden.setUp, hidden.bodies, new Set(), METRIC_STYLE)).toEqual([]);
    expect(warn(standing([{ ...shelf(1600), depth: 59 }], view))).toEqual([]);
    expect(warn(standing([{ ...shelf(1600), depth: 61 }], view))).toHaveLength(1);
  });
  it('not one that reaches past the eye to behind it: it has no distance from the horizon', () => {
    const beside = (y: number) =>
      standing([{ ...shelf(1600), depth: 1500, fromWest: 2400 }], {
        station: { x: 2000, y },
        picturePlane: { through: 'distance', mm: 400 },
      });
    // The shelf stands from 500 to 2000 off the north wall: the eye before it, then beside it.
    const { bodies } = beside(0);
    const reach = bodies
      .filter((body) => body.kind === 'piece')
      .flatMap((body) => body.vertices.map(({ at: p }) => p.y));
    const [front, back] = [Math.min(...reach), Math.max(...reach)];
    expect(warn(beside(front - 500))).toHaveLength(1);
    expect(warn(beside((front + back) / 2))).toEqual([]);
  });
});

describe('a plane seen edge-on', () => {
  const warn: Warn = ({ project, view, setUp, bodies, faces }) =>
    warnEdgeOn(project, view, setUp, bodies, faces, METRIC_STYLE);
  // A cupboard whose left side, 2000 to 2600 behind the south wall, points at a station near x = 1000.
  const cupboard: BoxGiven = { width: 900, depth: 600, height: 1900, fromNorth: 400, fromWest: 1000 };
  const breadthAt = (x: number): number => 200 * Math.abs(1000 - x) * (1 / 6000 - 1 / 6600);
  const at05 = 0.5 / (200 * (1 / 6000 - 1 / 6600));
  it('warns below half a millimetre of breadth, to either side of the plane', () => {
    for (const side of [1, -1]) {
      const inside = standing([cupboard], { station: { x: 1000 + side * (at05 - 1), y: -4000 } });
      expect(breadthAt(1000 + side * (at05 - 1))).toBeLessThan(0.5);
      expect(kinds(warn(inside)), `${side} inside`).toEqual(['edge-on']);
      expectRemedied(inside, warn);
      expect(
        warn(standing([cupboard], { station: { x: 1000 + side * (at05 + 1), y: -4000 } })),
        `${side} outside`,
      ).toEqual([]);
    }
  });
  it('a thin board has no side to speak of; a wall counts as well as a cupboard', () => {
    expect(warn(standing([{ ...cupboard, depth: 99 }], { station: { x: 1000, y: -4000 } }))).toEqual([]);
    const wall = warn(standing([], { station: { x: 4000, y: -4000 } }));
    expect(wall.map((one) => one.about)).toEqual(['east']);
    expect(wall[0]?.message).toMatch(/^the east wall is seen edge-on/);
  });
});

describe('two edges on one line', () => {
  const { view, setUp } = standing([], { station: { x: 2000, y: -4000 } });
  const part = (body: string, u: number, depth: number, v0 = -40, v1 = 40): SeenPart => ({
    edge: `${body}/edge`,
    body,
    bodyName: body,
    u0: u,
    v0,
    u1: u,
    v1,
    depth0: depth,
    depth1: depth,
  });
  const warn = (...parts: readonly SeenPart[]) => warnOneLine(view, setUp, parts, METRIC_STYLE);
  it('closer than half a millimetre on paper, and not from there on', () => {
    expect(kinds(warn(part('shelf', 10, 5000), part('door', 10.49, 7000)))).toEqual(['one-line']);
    expect(warn(part('shelf', 10, 5000), part('door', 10.51, 7000))).toEqual([]);
  });
  it('over fifteen millimetres, and from a hand’s breadth and a twentieth of their distance apart in depth', () => {
    expect(warn(part('shelf', 10, 5000), part('door', 10, 7000, 25.1, 60))).toEqual([]);
    expect(warn(part('shelf', 10, 5000), part('door', 10, 7000, 24.9, 60))).toHaveLength(1);
    expect(warn(part('shelf', 10, 1900), part('door', 10, 1999))).toEqual([]);
    expect(warn(part('shelf', 10, 1900), part('door', 10, 2001))).toHaveLength(1);
    expect(warn(part('shelf', 10, 5000), part('door', 10, 5249))).toEqual([]);
    expect(warn(part('shelf', 10, 5000), part('door', 10, 5251))).toHaveLength(1);
    expect(warn(part('shelf', 10, 5000), { ...part('shelf', 10, 7000), edge: 'shelf/other' })).toEqual([]);
  });
  it('the step aside it names sets them two millimetres apart', () => {
    const found = at(warn(part('shelf', 10, 5000), part('door', 10.2, 7000)), 0);
    const step = at(found.remedies, 0).change.station;
    const aside = Math.abs((step?.x ?? 0) - view.station.x);
    // A step s moves a point at depth t by k·s/t.
    const apart = 200 * aside * (1 / 5000 - 1 / 7000);
    expect(apart - 0.2).toBeGreaterThanOrEqual(2 - 1e-9);
    expect(apart - 0.2).toBeLessThan(2.2);
    expect(found.message).toMatch(/2\s000 mm apart in depth/);
  });
  it('level edges are parted by the eye’s height', () => {
    const level = (body: string, v: number, depth: number): SeenPart => ({
      ...part(body, 0, depth),
      u0: -30,
      u1: 30,
      v0: v,
      v1: v,
    });
    const found = at(warn(level('table', -12, 4000), level('rug', -12.1, 6000)), 0);
    expect(found.message).toMatch(/Raise the eye by/);
    const raised = (found.remedies[0]?.change.eyeHeight?.mm ?? 0) - view.eyeHeight.mm;
    expect(200 * raised * (1 / 4000 - 1 / 6000) - 0.1).toBeGreaterThanOrEqual(2 - 1e-9);
  });
  it('edges that only cross, or slope apart, are not one line', () => {
    expect(warn(part('shelf', 10, 5000), { ...part('door', 10, 7000), u0: 6, u1: 14 })).toEqual([]);
  });
});

describe('the back of the room', () => {
  const warn: Warn = ({ project, view, setUp }) => warnBackWall(project, view, setUp, METRIC_STYLE);
  const frame = { left: -180, right: 180, bottom: -120, top: 120 };
  /** The station for which the back wall, 3000 behind the plane, takes a share of the frame's width: 4000/N·d/(d+3000) of 360. */
  const stationFor = (share: number, N: number): number => {
    const q = (share * 360 * N) / 4000;
    return (3000 * q) / (1 - q);
  };
  it('smaller than a fifth of the frame it makes a corridor', () => {
    const given = (share: number) =>
      standing([], { station: { x: 2000, y: -stationFor(share, 30) }, scaleDenominator: 30, frame });
    // Width is the larger of its two shares here.
    expect(warn(given(CORRIDOR_SHARE + 0.001))).toEqual([]);
    const corridor = given(CORRIDOR_SHARE - 0.001);
    expect(kinds(warn(corridor))).toEqual(['corridor']);
    expectRemedied(corridor, warn);
    expect(backOfRoom(corridor.project, corridor.view, corridor.setUp)?.wallId).toBe('north');
  });
  it('larger than four fifths it makes a shallow box', () => {
    const small = { left: -110, right: 110, bottom: -69, top: 69 };
    // Width 4000/20·q of 220, height 2500/20·q of 138: shares 0.909·q and 0.906·q.
    const given = (q: number) => standing([], { station: { x: 2000, y: -(3000 * q) / (1 - q) }, frame: small });
    const least = (BOX_SHARE * 138) / 125;
    expect(warn(given(least - 0.002))).toEqual([]);
    const box = given(least + 0.002);
    expect(kinds(warn(box))).toEqual(['shallow-box']);
    expectRemedied(box, warn);
  });
  it('a back wall that is measured itself cannot be changed by stepping back, and says so', () => {
    const given = standing([], {
      picturePlane: { through: 'wall', wallId: 'north' },
      frame: { left: -90, right: 90, bottom: -60, top: 60 },
    });
    expect(warn(given)[0]).toMatchObject({ kind: 'shallow-box', remedies: [] });
    expect(warn(given)[0]?.message).toMatch(/measured at scale/);
  });
  it('in two-point the back corner is what counts', () => {
    const view = boxView({ picturePlane: { through: 'corner', cornerId: 'se' } });
    const project = smallRoom([], view);
    const turned = from(changeView(project, view.id, standAt(project, view, { turnDeg: 30, pictureDistance: 4000 })));
    const back = backOfRoom(turned.project, turned.view, turned.setUp);
    expect(back?.shares).toHaveLength(1);
    expect(back?.name).toMatch(/corner/);
  });
});

describe('the frame and the margins', () => {
  const warn: Warn = ({ view }) => warnMargins(view, METRIC_STYLE);
  // A3 lying, 10 mm margins: 400 by 277 inside; the centre of vision 210 from the left, 150 up.
  const framed = (right: number, change: Partial<View> = {}) =>
    standing([], { frame: { left: -100, right, bottom: -100, top: 90 }, ...change });
  it('up to the margin it passes, a tenth of a pencil’s line beyond not', () => {
    expect(warn(framed(200))).toEqual([]);
    expect(warn(framed(200 + OVER_MARGIN_MM - 0.001))).toEqual([]);
    const given = framed(200 + OVER_MARGIN_MM + 0.001);
    expect(kinds(warn(given))).toEqual(['over-margins']);
    expect(warn(given)[0]?.remedies[0]?.label).toBe('Centre the drawing');
    expectRemedied(given, warn);
  });
  it('larger than all the margins leave, it is drawn at the scale that fits', () => {
    const given = framed(301);
    expect(warn(given)[0]?.message).toMatch(/101\.0 mm over the right margin/);
    expect(warn(given)[0]?.remedies[0]?.label).toMatch(/^Draw at 1:25, centred$/);
    expectRemedied(given, warn);
    expect(warn(framed(299.99))[0]?.remedies[0]?.label).toBe('Centre the drawing');
  });
});

describe('points that cannot be reached', () => {
  const setOut = (given: Given) => setOutOf(given.project, given.view, given.setUp);
  const warn: Warn = (given) => warnReach(given.project, given.view, given.setUp, setOut(given), METRIC_STYLE);
  // k = 200: the distance points lie 200 to each side of the centre of vision, which is 210 from the sheet's left edge.
  const boarded = (x: number, width = 900) =>
    standing([], {
      station: { x: 2000, y: -4000 },
      frame: { left: -60, right: 60, bottom: -60, top: 60 },
      board: { width, height: 500 },
      sheetOnBoard: { x, y: 100 },
    });
  // Turned 30° with k = 200: VL at −200·cot 30° = −346.41.
  const turned = (x: number) => {
    const given = standing([], {
      picturePlane: { through: 'corner', cornerId: 'se' },
      frame: { left: -60, right: 60, bottom: -60, top: 60 },
      board: { width: 900, height: 500 },
      sheetOnBoard: { x, y: 100 },
    });
    const place = standAt(given.project, given.view, { turnDeg: 30, pictureDistance: 4000 });
    return from(changeView(given.project, given.view.id, place));
  };
  const left = 200 / Math.tan(Math.PI / 6) - 210;
  it('on the board’s edge it passes, beyond it not; each remedy of the ring makes it go', () => {
    expect(warn(turned(left + 0.01))).toEqual([]);
    const off = turned(left - 0.2);
    expect(kinds(warn(off))).toEqual(['out-of-reach']);
    expect(warn(off)[0]?.message).toMatch(/^VL, the left vanishing point, lies 0\.\d mm off the board on the left/);
    for (const remedy of warn(off)[0]?.remedies ?? []) {
      const after = from(changeView(off.project, off.view.id, remedy.change));
      expect(warn(after), remedy.label).toEqual([]);
    }
    expect(warn(off)[0]?.remedies.length).toBeGreaterThan(1);
  });
  it('of the two distance points one is enough', () => {
    // The left one at x + 10, the right one at x + 410.
    expect(warn(boarded(-20))).toEqual([]);
    expect(warn(boarded(500))).toEqual([]);
    expect(warn(boarded(-20, 380)).map((one) => one.message.slice(0, 2))).toEqual(['DL', 'DR']);
    expect(warn(boarded(-20, 391))).toEqual([]);
  });
  it('the straightedge counts as well as the board', () => {
    const short = (straightedge: number) => {
      const given = boarded(240);
      return from(changeView(given.project, given.view.id, { straightedge }));
    };
    const needed = Math.hypot(260, 60);
    expect(warn(short(needed + 0.01))).toEqual([]);
    expect(warn(short(needed - 0.01)).map((one) => one.message.slice(0, 2))).toEqual(['DL', 'DR']);
    expect(warn(short(needed - 0.01))[0]?.message).toMatch(/straightedge of 266\.8 mm; yours is 266\.8 mm/);
  });
});
