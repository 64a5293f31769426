import { finite } from '@/core/numeric';
import type { Project, View } from '@/core/record';
import type { SetOut, SetOutMark, SetUp } from '@/core/view';

const figure = (value: number): number => Math.round(finite(value, 'set-out figure') * 1e6) / 1e6;

const markOut = (mark: SetOutMark) => ({
  id: mark.id,
  role: mark.name.role,
  side: mark.name.side,
  label: mark.label,
  name: mark.words,
  picture: { u: figure(mark.at.u), v: figure(mark.at.v) },
  sheet: { x: figure(mark.onSheet.x), y: figure(mark.onSheet.y) },
  board: { x: figure(mark.onBoard.x), y: figure(mark.onBoard.y) },
  lies: mark.lies.where,
});

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
      centreOfVision: markOut(setOut.centreOfVision),
      groups: setOut.groups.map((group) => ({
        kind: group.kind,
        turnDeg: figure(group.turnDeg),
        serves: group.serves,
        marks: group.marks.map(markOut),
      })),
      slopes: setOut.slopes.map((slope) => ({
        slopeDeg: figure(slope.slopeDeg),
        serves: slope.serves,
        marks: [slope.vanishing, slope.measuring].map(markOut),
      })),
    },
    null,
    2,
  )}\n`;
}
