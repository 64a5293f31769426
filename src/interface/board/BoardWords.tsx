'use client';
import { formatBareLength, formatBarePaper, formatPaper, type LengthStyle } from '@/core/units';
import { type SetOut, type SetUp, type SetOutGroup } from '@/core/view';
import type { Look } from '@/interface/theme';
import { FIGURE_FACE, TEXT_FACE } from '@/interface/theme';
import type { BoardLayout } from './layout';
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
}

/** Names and dimensions where they belong: on plan, side view, strips and picture. */
export function BoardWords({ layout, pose, setUp, setOut, look, style, group, named, views }: BoardWordsProps) {
  const { plan, side, picture, uStrip, vStrip } = layout;
  const linked = uStrip.height > 0;
  const figure = { fontFamily: FIGURE_FACE, fontSize: 12, fill: look.text } as const;
  const word = { fontFamily: TEXT_FACE, fontSize: 13, fill: look.faint } as const;
  const halo = { paintOrder: 'stroke', stroke: look.paper, strokeWidth: 4, strokeLinejoin: 'round' } as const;
  const station = planScreen(pose, setUp, 0, 0);
  const eye = sideScreen(pose, setUp, 0, 0);
  const floor = sideScreen(pose, setUp, 0, -setUp.eyeHeight);
  const ratio = (scale: number): string => `${(Math.round((scale / pose.pictureScale) * 100) / 100).toString()} : 1`;
  return (
    <g pointerEvents="none" aria-hidden="true">
      {linked && views === 'whole' ? (
        <>
          <g {...halo}>
            <text x={plan.x + 40} y={pose.planeY - 6} {...word}>
              picture plane
            </text>
            <text x={station.x + 14} y={(station.y + pose.planeY) / 2} {...figure}>
              {formatBareLength(setUp.pictureDistance, style)}
            </text>
            <text x={station.x + 14} y={station.y + 5} {...word}>
              station point
            </text>
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
          <text x={plan.x + 12} y={plan.y + plan.height - 10} {...word}>
            plan, turned so that the picture plane runs level
          </text>
          <text x={side.x + 12} y={side.y + 18} {...word}>
            side view
          </text>
        </>
      ) : null}
      {linked ? (
        <>
          <text x={uStrip.x + 8} y={uStrip.y + 15} {...word}>
            u strip {pose.planScale === pose.pictureScale ? '' : `· plan to picture ${ratio(pose.planScale)}`}
          </text>
          <text transform={`translate(${vStrip.x + 15} ${vStrip.y + vStrip.height - 8}) rotate(-90)`} {...word}>
            v strip {pose.sideScale === pose.pictureScale ? '' : `· ${ratio(pose.sideScale)}`}
          </text>
        </>
      ) : null}
      {(views === 'bands' && group !== setOut.room ? [setOut.room, group] : [group]).map((one, index) => (
        <HorizonMarks
          key={one.suffix}
          layout={layout}
          pose={pose}
          look={look}
          style={style}
          group={one}
          named={named}
          figures={views === 'bands' && index === 0}
          lower={index}
        />
      ))}
      {/* In Draw the steps name their lines, and marks lie along this one. */}
      {named === 'here' ? (
        <g {...halo} stroke={look.sheet}>
          <text x={picture.x + 8} y={pose.horizonY + pose.pictureScale * -setOut.groundLineV - 5} {...word}>
            ground line, {formatBarePaper(-setOut.groundLineV, style)} below
          </text>
        </g>
      ) : null}
    </g>
  );
}

/** Points on the horizon: named where they lie, or as arrows at the picture's edge with their distance. */
function HorizonMarks({
  layout,
  pose,
  look,
  style,
  group,
  named,
  figures,
  lower,
}: Pick<BoardWordsProps, 'layout' | 'pose' | 'look' | 'style' | 'group' | 'named'> & {
  /** Whether each point bears its distance from the centre line. */
  readonly figures: boolean;
  /** Rows of words already taken by another group. */
  readonly lower: number;
}) {
  const { picture } = layout;
  const { marks } = group;
  const y = pose.horizonY;
  const beyond = {
    left: marks.filter((m) => markScreen(pose, m.at.u, 0).x < picture.x + 8),
    right: marks.filter((m) => markScreen(pose, m.at.u, 0).x > picture.x + picture.width - 8),
  };
  const inView = marks.filter((mark) => !beyond.left.includes(mark) && !beyond.right.includes(mark));
  /** Arrows stand above the names of points that lie close to their edge. */
  const lift = (side: 'left' | 'right'): number => {
    const edge = side === 'left' ? picture.x : picture.x + picture.width;
    const close = inView.some((mark) => Math.abs(markScreen(pose, mark.at.u, 0).x - edge) < 170);
    return close && named === 'here' ? (figures ? 22 : 17) : 0;
  };
  return (
    <g
      fontFamily={FIGURE_FACE}
      fontSize={12}
      fill={look.text}
      style={{ paintOrder: 'stroke' }}
      stroke={look.sheet}
      strokeWidth={4}
      strokeLinejoin="round"
    >
      {(named === 'here' ? inView : []).map((mark, index) => {
        const { x } = markScreen(pose, mark.at.u, 0);
        return (
          <g key={mark.id}>
            {lower > 0 ? <path d={`M${x},${y - 5} V${y + 5}`} stroke={look.ink} strokeWidth={1.4} /> : null}
            <text
              x={x}
              y={y + (index % 2 === 0 ? -(figures ? 13 : 8) - lower * 22 : (figures ? 24 : 19) + lower * 22)}
              fontSize={lower > 0 ? 11 : 12}
              fill={lower > 0 ? look.faint : look.text}
              textAnchor="middle"
            >
              {mark.label}
              {figures && mark.name.role !== 'diagonal' ? `: ${formatBarePaper(Math.abs(mark.at.u), style)}` : ''}
            </text>
          </g>
        );
      })}
      {(['left', 'right'] as const).flatMap((side) =>
        [...beyond[side]]
          .sort((a, b) => Math.abs(a.at.u) - Math.abs(b.at.u))
          .map((mark, index) => {
            const distance = formatPaper(Math.abs(mark.at.u), style);
            const x = side === 'left' ? picture.x + 8 : picture.x + picture.width - 8;
            return (
              <text
                key={mark.id}
                data-testid={`edge-${mark.id}`}
                x={x}
                y={y - (named === 'here' ? 8 + lift(side) : 26) - (index + lower * beyond[side].length) * 16}
                textAnchor={side === 'left' ? 'start' : 'end'}
              >
                {side === 'left' ? `← ${mark.label}: ${distance}` : `${mark.label}: ${distance} →`}
              </text>
            );
          }),
      )}
    </g>
  );
}
