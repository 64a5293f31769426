'use client';
import { type Scene } from '@/core/pipeline';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { measuredOn, tapePlanes } from '@/core/drawing';
import { picturePoint, type PicturePoint } from '@/core/space';
import { formatLength, formatPaper } from '@/core/units';
import type { SetUp } from '@/core/view';
import { Choice, LengthField } from '@/interface/fields';
import { PaperSheet } from '@/interface/paper';
import { useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import { sideways, upright } from '@/interface/words';
import type { Sheet } from '@/interface/frame';
import type { Seen } from './use-at-board';

/** A tape laid in the picture: on which plane, between which points of it. */
export interface Taped {
  readonly plane: string;
  readonly points: readonly PicturePoint[];
}

interface TapeSheetProps {
  readonly setUp: SetUp;
  readonly scene: Scene;
  readonly tape: Taped;
  readonly setTape: (tape: Taped) => void;
  readonly close: () => void;
}

/** What lies between two points of the picture truly is, on a plane one names: the picture alone does not tell how deep a point lies. */
function TapeSheet({ setUp, scene, tape, setTape, close }: TapeSheetProps) {
  const { project, view, style, chosen } = useSession();
  const { look } = useLook();
  const planes = tapePlanes(project, view, setUp, chosen, scene.prepared);
  const plane = planes.find((one) => one.id === tape.plane) ?? planes[0];
  const [a, b] = tape.points;
  const found = plane && a && b ? measuredOn(setUp, plane, a, b) : null;
  const put = (i: number, u: number, v: number): void =>
    setTape({
      ...tape,
      points: [0, 1].map((k) => (k === i ? picturePoint(u, v) : (tape.points[k] ?? picturePoint(0, -10)))),
    });
  return (
    <PaperSheet label="Measure in the picture" title="Measure in the picture" high="34%" close={close}>
      <Box component="p" sx={{ mt: 0, mb: 1, lineHeight: 1.6 }}>
        On{' '}
        <Choice
          label="Plane measured on"
          value={plane?.id ?? 'floor'}
          options={planes.map((one) => ({ value: one.id, words: one.name }))}
          onChange={(next) => setTape({ ...tape, plane: next })}
        />
        , press two points of the picture; near a corner the tape hooks on to it. Or type them:
      </Box>
      {[0, 1].map((i) => {
        const point = tape.points[i] ?? null;
        return (
          <Box component="p" key={i} sx={{ m: 0, mb: 0.5 }}>
            {i === 0 ? 'From' : 'To'}{' '}
            <LengthField
              label={`Point ${i + 1}, sideways`}
              mm={point?.u ?? 0}
              style={style}
              rules={{ negative: 'allowed', zero: 'allowed' }}
              onChange={(mm) => put(i, mm, point?.v ?? -10)}
            />{' '}
            beside and{' '}
            <LengthField
              label={`Point ${i + 1}, upright`}
              mm={point?.v ?? 0}
              style={style}
              rules={{ negative: 'allowed', zero: 'allowed' }}
              onChange={(mm) => put(i, point?.u ?? 0, mm)}
            />{' '}
            above the centre of vision
            {point ? `: ${sideways(point.u, style)}, ${upright(point.v, style)} the horizon.` : '; not set yet.'}
          </Box>
        );
      })}
      <Box component="p" data-testid="tape-reading" aria-live="polite" sx={{ mt: 1, mb: 0, lineHeight: 1.5 }}>
        {!a || !b ? (
          'Two points are wanted.'
        ) : found && plane ? (
          <>
            On {plane.name} they are truly{' '}
            <strong style={{ fontWeight: 500 }}>{formatLength(found.length, style)}</strong> apart:{' '}
            {formatLength(found.level, style)} level and {formatLength(found.across, style)}{' '}
            {Math.abs(plane.normal.z) > 0.9 ? 'into the depth' : 'up or down'}; on paper{' '}
            {formatPaper(Math.hypot(b.u - a.u, b.v - a.v), style)}.
          </>
        ) : (
          <Box component="span" sx={{ color: look.warning }}>
            One of the points is no picture of {plane?.name ?? 'that plane'}: the sight line does not meet it before
            you.
          </Box>
        )}{' '}
        {tape.points.length > 0 ? (
          <Button size="small" onClick={() => setTape({ ...tape, points: [] })}>
            take the tape up
          </Button>
        ) : null}
      </Box>
    </PaperSheet>
  );
}

export const tape: Sheet<Seen> = {
  button: 'tape',
  inMargin: 'measure in it',
  key: { keys: 'x', shown: 'X', does: 'measure between two points of the picture' },
  changes: false,
  Dialog: ({ given, close }) => (
    <TapeSheet
      setUp={given.perspective.stand.setUp}
      scene={given.perspective.scene}
      tape={given.tape}
      setTape={given.setTape}
      close={close}
    />
  ),
};
