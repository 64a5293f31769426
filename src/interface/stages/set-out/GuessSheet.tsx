'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { type GuessedInterval } from '@/core/record';
import { formatAngle, formatLength, formatPaper } from '@/core/units';
import {
  guessesAgree,
  intervalEnd,
  intervalSign,
  readGuess,
  standAt,
  wallLine,
  type GuessReading,
  type SetUp,
} from '@/core/view';
import { Choice, LengthField } from '@/interface/fields';
import { PaperSheet } from '@/interface/paper';
import { useLook } from '@/interface/theme';
import { useSession } from '@/interface/session';
import type { Seen } from '@/interface/at-board';
import type { Sheet } from '@/interface/frame';

interface GuessSheetProps {
  readonly setUp: SetUp;
  readonly close: () => void;
}

/** A first interval judged by eye, on one wall or two: what station it stands for, whether both agree, and what it should have been. */
function GuessSheet({ setUp, close }: GuessSheetProps) {
  const { project, view, style, commands, readOnly } = useSession();
  const { look } = useLook();
  const walls = project.spaces
    .filter((space) => space.levelId === view.levelId)
    .flatMap((space) => space.walls)
    .flatMap((wall) => {
      const line = wallLine(project, view, setUp, wall.id);
      return line.ok && Math.abs(line.value.trace.u) < 5 * setUp.viewingDistance ? [{ wall, line: line.value }] : [];
    });
  const free = walls.filter(({ wall }) => !view.guesses.some((guess) => guess.wallId === wall.id));
  const put = (label: string, guesses: readonly GuessedInterval[], run?: string): void =>
    commands.change(label, { kind: 'change-view', viewId: view.id, fields: { guesses } }, run);
  /** A new mark begins a little off the truth: one is to drag it where the eye puts it. */
  const mark = (wallId: string): void => {
    const found = walls.find(({ wall }) => wall.id === wallId);
    if (!found) return;
    const mm = style.units === 'imperial' ? 914.4 : 1000;
    const asTyped = style.units === 'imperial' ? "3'" : '1000';
    const end = intervalEnd(project, view, setUp, found.line, mm * intervalSign(found.line));
    const at = end ?? found.line.trace;
    put(`Mark an interval on ${found.wall.name}`, [
      ...view.guesses,
      { wallId, interval: { mm, asTyped }, at: { u: at.u, v: at.v } },
    ]);
  };
  const readings: GuessReading[] = [];
  const rows = view.guesses.map((guess) => {
    const name = walls.find(({ wall }) => wall.id === guess.wallId)?.wall.name ?? 'a wall that does not recede now';
    const reading = readGuess(project, view, setUp, guess);
    if (reading.ok) readings.push(reading.value);
    return { guess, name, reading };
  });
  const [first, second] = readings;
  const verdict = first && second ? guessesAgree(first, second) : null;
  return (
    <PaperSheet label="Judged by eye" title="A first interval judged by eye" high="44%" close={close}>
      <Box component="p" sx={{ mt: 0, mb: 1 }}>
        Mark on a wall’s floor line where you would put its first interval of depth: drag the mark on the sheet, or move
        it by the arrow keys. {readOnly ? '' : 'One wall or two. '}
        {!readOnly && free.length > 0 && view.guesses.length < 2 ? (
          <Choice
            label="Mark an interval on"
            value=""
            options={[
              { value: '', words: 'mark one on …' },
              ...free.map(({ wall }) => ({ value: wall.id, words: wall.name })),
            ]}
            onChange={mark}
          />
        ) : null}
      </Box>
      {rows.map(({ guess, name, reading }) => (
        <GuessRow key={guess.wallId} guess={guess} name={name} reading={reading} put={put} />
      ))}
      {verdict ? (
        <Box
          component="p"
          role="status"
          data-testid="guess-verdict"
          sx={{ m: 0, color: verdict.agree ? look.text : look.warning }}
        >
          {verdict.agree
            ? 'Both walls stand for the same station.'
            : `The two walls do not agree: one stands for a station ${Math.round(verdict.apartShare * 100)} % farther off than the other. Move one of the marks to where its interval truly ends.`}
        </Box>
      ) : null}
    </PaperSheet>
  );
}

/** One judged interval: what it stands for, and what becomes of it. */
function GuessRow({
  guess,
  name,
  reading,
  put,
}: {
  readonly guess: GuessedInterval;
  /** The wall it lies on, in words. */
  readonly name: string;
  readonly reading: ReturnType<typeof readGuess>;
  readonly put: (label: string, guesses: readonly GuessedInterval[], run?: string) => void;
}) {
  const { project, view, style, commands, readOnly } = useSession();
  const { look } = useLook();
  return (
    <Box component="p" data-guess={guess.wallId} sx={{ m: 0, mb: 1, lineHeight: 1.5 }}>
      On <strong style={{ fontWeight: 500 }}>{name}</strong> the interval of{' '}
      <LengthField
        label={`Interval on ${name}`}
        mm={guess.interval.mm}
        style={style}
        disabled={readOnly}
        onChange={(mm, asTyped, nudged) =>
          put(
            `Call the interval on ${name} otherwise`,
            view.guesses.map((one) => (one.wallId === guess.wallId ? { ...one, interval: { mm, asTyped } } : one)),
            nudged ? `nudge/interval-${guess.wallId}` : undefined,
          )
        }
      />{' '}
      {reading.ok ? (
        <>
          stands for a station {formatLength(reading.value.pictureDistance, style)} before the picture plane
          {reading.value.turnDeg > 0 ? `, the room turned ${formatAngle(reading.value.turnDeg)}` : ''}, and an eye{' '}
          {formatLength(reading.value.eyeHeight, style)} above the floor. From where you stand it truly ends{' '}
          {formatPaper(reading.value.missMm, style)} away; what you marked is truly{' '}
          {formatLength(reading.value.trueLength, style)}.
        </>
      ) : (
        <Box component="span" sx={{ color: look.warning }}>
          {reading.error.message}
        </Box>
      )}
      {readOnly ? null : (
        <>
          {reading.ok ? (
            <Button
              size="small"
              sx={{ color: 'secondary.main' }}
              onClick={() =>
                commands.change('Stand where the guess stands for', {
                  kind: 'change-view',
                  viewId: view.id,
                  fields: standAt(project, view, {
                    ...(reading.value.turnDeg > 0 ? { turnDeg: reading.value.turnDeg } : {}),
                    pictureDistance: reading.value.pictureDistance,
                  }),
                })
              }
            >
              stand there
            </Button>
          ) : null}
          <Button
            size="small"
            onClick={() =>
              put(
                `Take the mark off ${name}`,
                view.guesses.filter((one) => one.wallId !== guess.wallId),
              )
            }
          >
            take it off
          </Button>
        </>
      )}
    </Box>
  );
}

export const guess: Sheet<Seen> = {
  button: 'by eye',
  key: { keys: 'j', shown: 'J', does: 'an interval judged by eye' },
  changes: false,
  Dialog: ({ given, close }) => <GuessSheet setUp={given.perspective.stand.setUp} close={close} />,
};
