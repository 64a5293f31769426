'use client';
import type { View } from '@/core/record';
import { formatBarePaper, type LengthStyle } from '@/core/units';
import type { SetOut } from '@/core/view';
import { FIGURE_FACE, type Look } from '@/interface/theme';
import type { BoardLayout } from '@/interface/board';
import { sheetScreen, type Pose } from '@/interface/board';

/** A dimension shorter than this has no room for its figure, px. */
const LEAST_PX = 30;

interface Shown {
  readonly key: string;
  readonly mm: number;
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
}

/** Where the sheet lies on the board, and where horizon and ground line lie on the sheet: as dimensions on the drawing. */
export function BoardDimensions({
  view,
  setOut,
  pose,
  layout,
  look,
  style,
}: {
  readonly view: View;
  readonly setOut: SetOut;
  readonly pose: Pose;
  readonly layout: BoardLayout;
  readonly look: Look;
  readonly style: LengthStyle;
}) {
  const at = (x: number, y: number) => sheetScreen(pose, view, x, y);
  const { sheet, sheetOnBoard, centreOfVisionOnSheet: cv } = view;
  const low = at(0, 0);
  const horizon = at(0, cv.y).y;
  const ground = at(0, cv.y + setOut.groundLineV).y;
  // Clear of the points at the sheet's edge and of the horizon's handle.
  const right = Math.min(at(sheet.width, 0).x + 62, layout.picture.x + layout.picture.width - 26);
  const across = at(0, Math.min(24, sheet.height / 6)).y;
  const up = at(Math.min(40, sheet.width / 6), 0).x;
  const shown: readonly Shown[] = [
    {
      key: 'sheet-x',
      mm: sheetOnBoard.x,
      from: { x: at(-sheetOnBoard.x, 0).x, y: across },
      to: { x: low.x, y: across },
    },
    {
      key: 'sheet-y',
      mm: sheetOnBoard.y,
      from: { x: up, y: at(0, -sheetOnBoard.y).y },
      to: { x: up, y: low.y },
    },
    { key: 'horizon-ground', mm: -setOut.groundLineV, from: { x: right, y: ground }, to: { x: right, y: horizon } },
    {
      key: 'ground-sheet',
      mm: cv.y + setOut.groundLineV,
      from: { x: right, y: low.y },
      to: { x: right, y: ground },
    },
  ];
  return (
    <g clipPath="url(#clip-picture)" pointerEvents="none" aria-hidden="true">
      {shown
        .filter(({ from, to }) => Math.hypot(to.x - from.x, to.y - from.y) >= LEAST_PX)
        .map(({ key, mm, from, to }) => {
          const upright = from.x === to.x;
          const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
          return (
            <g key={key} data-dimension={key}>
              <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke={look.families.measuring} strokeWidth={0.9} />
              {[from, to].map((end, i) => (
                <line
                  key={i}
                  x1={end.x - 4}
                  y1={end.y + 4}
                  x2={end.x + 4}
                  y2={end.y - 4}
                  stroke={look.families.measuring}
                  strokeWidth={0.9}
                />
              ))}
              <text
                x={middle.x}
                y={middle.y + (upright ? 4 : -5)}
                textAnchor="middle"
                fontFamily={FIGURE_FACE}
                fontSize={12}
                fill={look.text}
                stroke={look.strip}
                strokeWidth={4}
                style={{ paintOrder: 'stroke' }}
              >
                {formatBarePaper(mm, style)}
              </text>
            </g>
          );
        })}
    </g>
  );
}
