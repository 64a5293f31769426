'use client';
import { placeLabels } from '@/core/drawing';
import type { ScreenPoint } from '@/core/space';
import { formatBareLength, formatBarePaper, formatPaper, type LengthStyle } from '@/core/units';
import { type SetOut, type SetUp, type SetOutGroup } from '@/core/view';
import type { Look } from '@/interface/theme';
import { FIGURE_FACE, TEXT_FACE } from '@/interface/theme';
import { hasRoom, type BoardLayout, type Rect } from './layout';
import { markScreen } from './paint';
import { planScreen, sideScreen, type Pose } from './pose';

interface BoardWordsProps {
  readonly layout: BoardLayout;
  readonly pose: Pose;
  readonly setUp: SetUp;
  readonly setOut: SetOut;
  readonly look: Look;
  readonly style: LengthStyle;
  /** Which group's points are shown: the chosen piece's, or the room's. */
  readonly group: SetOutGroup;
  /** In Draw the construction names its points itself, each when it is made. */
  readonly named: 'here' | 'by-the-steps';
  /** In Set out plan and side view are bands with no room for words, and the points bear their figures. */
  readonly views: 'whole' | 'bands';
  /** Where handles lie: no name of a point stands on one. */
  readonly handles?: readonly ScreenPoint[];
}

/** From a handle to its name, px: a pencil ring about the handle does not cross it. */
const BESIDE_RING = 32;

/** Names and dimensions where they belong: on plan, side view, strips and picture. */
export function BoardWords({
  layout,
  pose,
  setUp,
  setOut,
  look,
  style,
  group,
  named,
  views,
  handles = [],
}: BoardWordsProps) {
  const { plan, side, picture, uStrip, vStrip } = layout;
  const figure = { fontFamily: FIGURE_FACE, fontSize: 12, fill: look.text } as const;
  const word = { fontFamily: TEXT_FACE, fontSize: 13, fill: look.faint } as const;
  const halo = { paintOrder: 'stroke', stroke: look.paper, strokeWidth: 4, strokeLinejoin: 'round' } as const;
  const station = planScreen(pose, setUp, 0, 0);
  const eye = sideScreen(pose, setUp, 0, 0);
  const floor = sideScreen(pose, setUp, 0, -setUp.eyeHeight);
  const ratio = (scale: number): string => `${(Math.round((scale / pose.pictureScale) * 100) / 100).toString()} : 1`;
  /** Whether a view needs no word on how much larger or smaller it is than the picture: they are alike, or one of them is laid aside. */
  const alike = (view: Rect, scale: number): boolean =>
    scale === pose.pictureScale || !hasRoom(view) || !hasRoom(picture);
  return (
    <g pointerEvents="none" aria-hidden="true">
      {views === 'whole' && hasRoom(plan) ? (
        <>
          <g {...halo}>
            <text x={plan.x + 40} y={pose.planeY - 6} {...word}>
              picture plane
            </text>
            <text x={station.x + 14} y={(station.y + pose.planeY) / 2} {...figure}>
              {formatBareLength(setUp.pictureDistance, style)}
            </text>
            <text x={station.x + BESIDE_RING} y={station.y + 5} {...word}>
              station point
            </text>
          </g>
          <text x={plan.x + 12} y={plan.y + plan.height - 10} {...word}>
            plan, turned so that the picture plane runs level
          </text>
        </>
      ) : null}
      {views === 'whole' && hasRoom(side) ? (
        <>
          <g {...halo}>
            <text x={eye.x + 8} y={(eye.y + floor.y) / 2} {...figure}>
              {formatBareLength(setUp.eyeHeight, style)}
            </text>
            <text x={side.x + side.width - 6} y={pose.horizonY - 5} textAnchor="end" {...word}>
              eye level
            </text>
          </g>
          <line
            x1={eye.x}
            y1={eye.y}
            x2={floor.x}
            y2={floor.y}
            stroke={look.text}
            strokeWidth={0.8}
            markerStart="url(#tick)"
            markerEnd="url(#tick)"
          />
          <text x={side.x + 12} y={side.y + 18} {...word}>
            side view
          </text>
        </>
      ) : null}
      {hasRoom(uStrip) ? (
        <text x={uStrip.x + 8} y={uStrip.y + 15} {...word}>
          u strip {alike(plan, pose.planScale) ? '' : `· plan to picture ${ratio(pose.planScale)}`}
        </text>
      ) : null}
      {hasRoom(vStrip) ? (
        <text transform={`translate(${vStrip.x + 15} ${vStrip.y + vStrip.height - 8}) rotate(-90)`} {...word}>
          v strip {alike(side, pose.sideScale) ? '' : `· ${ratio(pose.sideScale)}`}
        </text>
      ) : null}
      {hasRoom(picture) ? (
        <HorizonMarks
          {...{ layout, pose, look, style, named, handles }}
          groups={views === 'bands' && group !== setOut.room ? [setOut.room, group] : [group]}
          figures={views === 'bands'}
          // In Draw the steps name their lines, and marks lie along this one.
          groundLine={named === 'here' ? setOut.groundLineV : null}
        />
      ) : null}
    </g>
  );
}

/** Sizes of a name on the board, px. */
const [NAME_PX, LETTER_PX, MARK_PX] = [12, 7.3, 8];
/** Half of a handle's sign. */
const HANDLE_PX = 11;

interface Named {
  readonly id: string;
  readonly text: string;
  /** Where its mark lies on the screen. */
  readonly x: number;
  readonly y: number;
  /** Of the group at hand, or the piece's beside the room's. */
  readonly faint: boolean;
}

/** Points on the horizon: named beside where they lie, none over another, or as arrows at the picture's edge with their distance. */
function HorizonMarks({
  layout,
  pose,
  look,
  style,
  groups,
  handles,
  named,
  figures,
  groundLine,
}: Pick<BoardWordsProps, 'layout' | 'pose' | 'look' | 'style' | 'named'> & {
  readonly handles: readonly ScreenPoint[];
  /** The room's or the piece's points; or both, the room's first. */
  readonly groups: readonly SetOutGroup[];
  /** Whether each of the room's points bears its distance from the centre line. */
  readonly figures: boolean;
  /** Height of the ground line in the picture, mm; null where it is not named. */
  readonly groundLine: number | null;
}) {
  const { picture } = layout;
  const y = pose.horizonY;
  const [left, right] = [picture.x + 8, picture.x + picture.width - 8];
  const marks = groups.flatMap((group, index) =>
    group.marks.map((mark) => ({ mark, faint: index > 0, x: markScreen(pose, mark.at.u, 0).x })),
  );
  const inView = (named === 'here' ? marks : []).filter(({ x }) => x >= left && x <= right);
  const arrows = (['left', 'right'] as const).flatMap((side) =>
    marks
      .filter(({ x }) => (side === 'left' ? x < left : x > right))
      .sort((a, b) => Math.abs(a.mark.at.u) - Math.abs(b.mark.at.u))
      .map(({ mark }, index) => {
        const distance = formatPaper(Math.abs(mark.at.u), style);
        return {
          id: mark.id,
          side,
          x: side === 'left' ? left : right,
          y: y - (named === 'here' ? 8 : 26) - index * 16,
          text: side === 'left' ? `← ${mark.label}: ${distance}` : `${mark.label}: ${distance} →`,
        };
      }),
  );
  const ground =
    groundLine === null
      ? null
      : {
          x: left,
          y: y - pose.pictureScale * groundLine - 5,
          text: `ground line, ${formatBarePaper(-groundLine, style)} below`,
        };
  const names = inView.map(({ mark, faint, x }): Named => {
    const figure =
      figures && !faint && mark.name.role !== 'diagonal' ? `: ${formatBarePaper(Math.abs(mark.at.u), style)}` : '';
    return { id: mark.id, text: `${mark.label}${figure}`, x, y, faint };
  });
  const standing = [...arrows, ...(ground ? [{ ...ground, side: 'left' as const }] : [])].map((one) => {
    const wide = one.text.length * LETTER_PX;
    const from = one.side === 'left' ? one.x : one.x - wide;
    return { left: from, right: from + wide, low: -one.y - 3, high: -one.y + NAME_PX };
  });
  const within = {
    left: picture.x + 2,
    right: picture.x + picture.width - 2,
    low: -picture.y - picture.height + 2,
    high: -picture.y - 2,
  };
  const grips = handles.map((p) => ({
    ...{ left: p.x - HANDLE_PX, right: p.x + HANDLE_PX },
    ...{ low: -p.y - HANDLE_PX, high: -p.y + HANDLE_PX },
  }));
  const placed = placeLabels(
    names.map((one) => ({ ...one, y: -one.y })),
    { high: NAME_PX, wide: LETTER_PX, clear: MARK_PX, standing: [...standing, ...grips], within },
  );
  const faint = new Set(names.filter((one) => one.faint).map((one) => one.text));
  return (
    <g
      fontFamily={FIGURE_FACE}
      fontSize={NAME_PX}
      fill={look.text}
      style={{ paintOrder: 'stroke' }}
      stroke={look.sheet}
      strokeWidth={4}
      strokeLinejoin="round"
    >
      {names
        .filter((one) => one.faint)
        .map(({ id, x }) => (
          <path key={id} d={`M${x},${y - 5} V${y + 5}`} stroke={look.ink} strokeWidth={1.4} />
        ))}
      {placed.map(({ text, x, y: foot, leader }) => (
        <g key={text}>
          {leader ? (
            <path
              d={`M${leader.x0},${-leader.y0} L${leader.x1},${-leader.y1}`}
              stroke={look.faint}
              strokeWidth={0.8}
              fill="none"
            />
          ) : null}
          <text x={x} y={-foot} fill={faint.has(text) ? look.faint : look.text}>
            {text}
          </text>
        </g>
      ))}
      {arrows.map((one) => (
        <text
          key={one.id}
          data-testid={`edge-${one.id}`}
          x={one.x}
          y={one.y}
          textAnchor={one.side === 'left' ? 'start' : 'end'}
        >
          {one.text}
        </text>
      ))}
      {ground ? (
        <text x={ground.x} y={ground.y} fontFamily={TEXT_FACE} fontSize={13} fill={look.faint}>
          {ground.text}
        </text>
      ) : null}
    </g>
  );
}
