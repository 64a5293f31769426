'use client';
import { useRef } from 'react';
import { type View } from '@/core/record';
import { picturePoint } from '@/core/space';
import { formatLength, MM_PER_INCH } from '@/core/units';
import { onWallLine, readGuess, wallLine, type SetUp } from '@/core/view';
import type { Look } from '@/interface/theme';
import { FIGURE_FACE } from '@/interface/theme';
import { Handle } from '@/interface/board';
import { useSession } from '@/interface/session';
import { pictureScreen, type Pose } from '@/interface/board';

interface GuessMarksProps {
  readonly setUp: SetUp;
  readonly pose: Pose;
  readonly look: Look;
}

/** Guessed first intervals on their walls' floor lines: the mark is dragged along the line; a tick shows where the interval truly ends. */
export function GuessMarks({ setUp, pose, look }: GuessMarksProps) {
  const { project, view, style, commands, readOnly } = useSession();
  const start = useRef({ project, view });
  return (
    <g>
      {view.guesses.map((guess) => {
        const line = wallLine(project, view, setUp, guess.wallId);
        if (!line.ok) return null;
        const reading = readGuess(project, view, setUp, guess);
        const mark = picturePoint(guess.at.u, guess.at.v);
        const at = pictureScreen(pose, mark);
        const [trace, vanishing] = [pictureScreen(pose, line.value.trace), pictureScreen(pose, line.value.vanishing)];
        const name =
          project.spaces.flatMap((space) => space.walls).find((wall) => wall.id === guess.wallId)?.name ?? '';
        const moved = (from: View, to: { u: number; v: number }) => ({
          guesses: from.guesses.map((one) => (one.wallId === guess.wallId ? { ...one, at: to } : one)),
        });
        /** Along the wall's line by so much of its paper length from where it was. */
        const along = (from: View, du: number, dv: number) => {
          const was = from.guesses.find((one) => one.wallId === guess.wallId)?.at ?? guess.at;
          const { u, v } = onWallLine(line.value, picturePoint(was.u + du, was.v + dv));
          return moved(from, { u, v });
        };
        const truly = reading.ok ? pictureScreen(pose, reading.value.trueAt) : null;
        const toward = Math.hypot(
          line.value.vanishing.u - line.value.trace.u,
          line.value.vanishing.v - line.value.trace.v,
        );
        const step = style.units === 'imperial' ? MM_PER_INCH / 16 : 1;
        return (
          <g key={guess.wallId}>
            <line
              x1={trace.x}
              y1={trace.y}
              x2={vanishing.x}
              y2={vanishing.y}
              stroke={look.families.measuring}
              strokeWidth={1.2}
              strokeDasharray="5 3"
              pointerEvents="none"
            />
            {truly ? (
              <g pointerEvents="none">
                <line
                  x1={truly.x}
                  y1={truly.y - 9}
                  x2={truly.x}
                  y2={truly.y + 9}
                  stroke={look.warning}
                  strokeWidth={2}
                />
                <text
                  x={truly.x + 5}
                  y={truly.y + 20}
                  fontFamily={FIGURE_FACE}
                  fontSize={12}
                  fill={look.warning}
                  style={{ paintOrder: 'stroke' }}
                  stroke={look.sheet}
                  strokeWidth={4}
                >
                  truly {formatLength(guess.interval.mm, style)}
                </text>
              </g>
            ) : null}
            {readOnly ? (
              <circle cx={at.x} cy={at.y} r={6} fill={look.sheet} stroke={look.families.measuring} strokeWidth={2} />
            ) : (
              <Handle
                name={`guess-${guess.wallId}`}
                label={`Guessed interval on ${name}`}
                cursor="grab"
                at={at}
                value={guess.at.u}
                valueText={
                  reading.ok
                    ? `stands for a station ${formatLength(reading.value.pictureDistance, style)} before the picture plane`
                    : reading.error.message
                }
                begin={() => {
                  start.current = { project, view };
                }}
                cancel={() => commands.cancelDrag()}
                move={({ dx, dy }) => {
                  const fields = along(start.current.view, dx / pose.pictureScale, -dy / pose.pictureScale);
                  commands.drag({ kind: 'change-view', viewId: view.id, fields });
                }}
                end={() => commands.drop(`Mark the interval on ${name}`)}
                nudge={(right, up) => {
                  // Every arrow goes along the line: right and up toward the vanishing point.
                  const share = ((right + up) * step) / toward;
                  const next = along(
                    view,
                    (line.value.vanishing.u - line.value.trace.u) * share,
                    (line.value.vanishing.v - line.value.trace.v) * share,
                  );
                  commands.change(
                    `Mark the interval on ${name}`,
                    { kind: 'change-view', viewId: view.id, fields: next },
                    `nudge/guess-${guess.wallId}`,
                  );
                }}
              >
                <circle r={7} fill={look.sheet} stroke={look.families.measuring} strokeWidth={2.2} />
                <circle r={2} fill={look.families.measuring} />
              </Handle>
            )}
          </g>
        );
      })}
    </g>
  );
}
