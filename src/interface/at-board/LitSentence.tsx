'use client';
import { capital } from '@/core/base';
import { tolerance } from '@/core/numeric';
import { type Scene } from '@/core/pipeline';
import { useMemo } from 'react';
import Box from '@mui/material/Box';
import { alongWall, distanceFromWall, levelOf, mmOf, wallRuns, type WallRun, type Id } from '@/core/record';
import { planFromWorld } from '@/core/space';
import { readLine } from '@/core/drawing';
import { formatBareLength, formatLength, formatPaper } from '@/core/units';
import { eyeFromWorld, projectPoint, roomAround, type LineFamily, type SetUp } from '@/core/view';
import { bodiesOf } from '@/core/solids';
import { cornersOf } from '@/interface/board';
import { useSession } from '@/interface/session';
import { lineWords, placeWords, sideways, upright } from '@/interface/words';

const FAMILY_WORDS: Readonly<Record<LineFamily, string>> = {
  vertical: 'upright',
  level: 'level, along the picture plane',
  right: 'receding to the right',
  left: 'receding to the left',
  centre: 'receding to the centre of vision',
  elsewhere: 'receding to a point of its own',
  round: 'round',
};

/** What is pointed at, in one sentence: where it stands in the room, and where it falls in the picture. Spoken as it changes. */
export function LitSentence({
  setUp,
  scene,
  corner: id,
  edge: edgeId,
}: {
  readonly setUp: SetUp;
  readonly scene: Scene;
  readonly corner: Id | null;
  readonly edge: Id | null;
}) {
  const { project, view, style } = useSession();
  const { levels, spaces, openings, pieces, surfaces } = project;
  const bodies = useMemo(
    () => bodiesOf({ levels, spaces, openings, pieces, surfaces }),
    [levels, spaces, openings, pieces, surfaces],
  );
  const corners = useMemo(() => cornersOf(bodies), [bodies]);
  const corner = id === null ? undefined : corners.find((one) => one.id === id);
  return (
    <Box
      component="p"
      aria-live="polite"
      data-testid="lit-sentence"
      sx={{
        m: 0,
        mb: 1.1,
        minHeight: 66,
        lineHeight: 1.5,
        fontSize: 15,
        color: corner || edgeId ? 'secondary.main' : 'text.secondary',
      }}
    >
      {edgeId
        ? edgeWords(edgeId)
        : corner
          ? words()
          : 'Point at a corner to see how it gets into the picture; click it to choose its piece.'}
    </Box>
  );

  function edgeWords(wanted: Id): string {
    const reading = readLine(project, view, scene.prepared, setUp, wanted);
    const body = bodies.find((one) => one.id === reading?.body);
    if (!reading || !body) return '';
    const { parallels, paperMm, nearest, farthest } = reading;
    const vanishing = parallels?.vanishing ?? null;
    const runsTo = !parallels
      ? ''
      : vanishing
        ? ` It runs to ${sideways(vanishing.u, style)}${Math.abs(vanishing.v) > 1e-6 ? `, ${upright(vanishing.v, style)}` : ''} on ${Math.abs(vanishing.v) > 1e-6 ? 'its own vanishing line' : 'the horizon'}.`
        : ' It stays parallel to itself in the picture.';
    const nameOf = (of: Id): string => bodies.find((one) => one.id === of)?.name ?? '';
    const what = lineWords(project, nameOf, body.id, reading.role);
    const far =
      farthest - nearest < 1
        ? `${formatBareLength(nearest, style)} from your eye`
        : `${formatBareLength(nearest, style)} to ${formatBareLength(farthest, style)} from your eye`;
    const drawn = paperMm === null ? '' : `${formatPaper(paperMm, style)} on paper, `;
    return `${what} ${formatLength(reading.real, style)} long, ${FAMILY_WORDS[parallels?.family ?? 'round']}.${runsTo} ${drawn}${far}.`;
  }

  function words(): string {
    if (!corner) return '';
    const picture = projectPoint(setUp, corner.at);
    const above = corner.at.z - mmOf(levelOf(project, view.levelId).elevation);
    const space = roomAround(project, view, planFromWorld(corner.at));
    // Only walls the corner stands before: a wall's plane carried on beyond its ends is nothing one can measure from.
    const before = (run: WallRun): boolean => {
      const along = alongWall(run, corner.at);
      return along >= -tolerance.touchMm && along <= run.lengthMm + tolerance.touchMm;
    };
    const nearest = (space ? wallRuns(space) : [])
      .filter(before)
      .map((run) => ({ run, distance: distanceFromWall(run, planFromWorld(corner.at)) }))
      .filter((one) => one.distance >= -tolerance.touchMm)
      .sort((a, b) => a.distance - b.distance)[0];
    const stands = nearest ? `${formatBareLength(nearest.distance, style)} from ${nearest.run.wall.name}, ` : '';
    const name = placeWords(project, corner.bodyName, corner.role);
    const depth = eyeFromWorld(setUp, corner.at).depth;
    const place = picture
      ? `In the picture ${sideways(picture.u, style)} and ${upright(picture.v, style)} the horizon.`
      : 'It is not in front of your eye.';
    return `${capital(name)}: ${stands}${formatBareLength(above, style)} above the floor, ${formatBareLength(depth, style)} ahead of you. ${place}`;
  }
}
