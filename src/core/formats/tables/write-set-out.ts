import { finite } from '@/core/numeric';
import type { MarkRole, Project, View } from '@/core/record';
import type { PicturePoint } from '@/core/space';
import { fractionOf, measuredBy, type SetOut, type SetOutGroup, type SetOutMark, type SetUp } from '@/core/view';

const figure = (value: number): number => finite(value, 'set-out figure');

const on = (view: View, { u, v }: PicturePoint) => ({
  picture: { u: figure(u), v: figure(v) },
  sheet: { x: figure(view.centreOfVisionOnSheet.x + u), y: figure(view.centreOfVisionOnSheet.y + v) },
});

/** A point of the set-out; of a measuring or distance point where it is used with lengths at a half and a third as well. */
const markOut = (view: View, setUp: SetUp, setOut: SetOut, mark: SetOutMark) => {
  const vanishing = measuredBy(setOut, mark);
  return {
    id: mark.id,
    role: mark.name.role,
    side: mark.name.side,
    label: mark.label,
    name: mark.words,
    ...on(view, mark.at),
    board: { x: figure(mark.onBoard.x), y: figure(mark.onBoard.y) },
    lies: mark.lies.where,
    ...(vanishing
      ? { half: on(view, fractionOf(mark, vanishing, 2)), third: on(view, fractionOf(mark, vanishing, 3)) }
      : {}),
    // What a measuring point lies away from its vanishing point, and what one sweeps down to the plan by.
    ...(RUN_TO.has(mark.name.role)
      ? { toStation: figure(Math.hypot(mark.at.u, mark.at.v, setUp.viewingDistance)) }
      : {}),
  };
};

/** Roles of points that lines run to. */
const RUN_TO: ReadonlySet<MarkRole> = new Set(['vanishing', 'inclined', 'diagonal', 'centre']);

/** Between the two vanishing points of a pair; null where it has not two. */
function spreadOf(group: SetOutGroup): number | null {
  const [left, right] = (['left', 'right'] as const).map((side) =>
    group.marks.find(({ name }) => name.role === 'vanishing' && name.side === side),
  );
  return left && right ? figure(right.at.u - left.at.u) : null;
}

/** The set-out as JSON; every field is described in docs/format.md. All lengths mm, angles degrees. */
export function writeSetOut(project: Project, view: View, setUp: SetUp, setOut: SetOut): string {
  return `${JSON.stringify(
    {
      kind: 'bathyskop-set-out',
      version: 2,
      project: project.id,
      view: view.id,
      scaleDenominator: setUp.scaleDenominator,
      pictureDistance: figure(setUp.pictureDistance),
      viewingDistance: figure(setUp.viewingDistance),
      station: { x: figure(setUp.station.x), y: figure(setUp.station.y) },
      eyeHeight: figure(setUp.eyeHeight),
      floor: figure(setUp.floor),
      bearingDeg: figure(setUp.bearingDeg),
      sheetSize: { width: view.sheet.width, height: view.sheet.height },
      horizon: { v: 0, sheetY: figure(setOut.horizonOnSheetY) },
      groundLine: { v: figure(setOut.groundLineV), sheetY: figure(setOut.groundLineOnSheetY) },
      coneOfVision: { radius60: figure(setOut.cone60Radius), radius45: figure(setOut.cone45Radius) },
      centreOfVision: markOut(view, setUp, setOut, setOut.centreOfVision),
      groups: setOut.groups.map((group) => ({
        kind: group.kind,
        turnDeg: figure(group.turnDeg),
        serves: group.serves,
        spread: spreadOf(group),
        marks: group.marks.map((mark) => markOut(view, setUp, setOut, mark)),
      })),
      slopes: setOut.slopes.map((slope) => ({
        slopeDeg: figure(slope.slopeDeg),
        serves: slope.serves,
        marks: [slope.vanishing, slope.measuring].map((mark) => markOut(view, setUp, setOut, mark)),
      })),
    },
    null,
    2,
  )}\n`;
}
