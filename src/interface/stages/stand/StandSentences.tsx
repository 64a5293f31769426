'use client';
import { tolerance } from '@/core/numeric';
import Button from '@mui/material/Button';
import {
  BOUNDS,
  distanceFromWall,
  roomOfRule,
  standByRuleIn,
  wallRuns,
  type Project,
  type ScaleFigure,
  type Space,
  type View,
  type WallRun,
} from '@/core/record';
import { dot2, insideLoops } from '@/core/geometry';
import { planPoint } from '@/core/space';
import { formatBareLength, formatLength } from '@/core/units';
import { figureSizes, joinedTo, roomMeant, spacesAsideOf, turnPlan } from '@/core/view';
import { AngleField, Choice, LengthField } from '@/interface/fields';
import { turnOfRoom } from './moves';
import { Term } from '@/interface/words';
import { useSession } from '@/interface/session';
import { Sentence } from '@/interface/frame';

/** Two walls of the room one looks into, from which a standing place is told: its first wall, and the longest that is not parallel to that. */
function standingWalls(project: Project, view: View) {
  const room = roomMeant(project, view);
  const runs = room ? wallRuns(room) : [];
  const [first] = runs;
  const second = runs
    .filter((run) => first && Math.abs(dot2(run.run, first.intoRoom)) > 0.5)
    .reduce<WallRun | undefined>((most, run) => (most && most.lengthMm >= run.lengthMm ? most : run), undefined);
  const { x, y } = view.station;
  return first && second
    ? { walls: [first, second] as const, outside: !insideLoops([runs.map((run) => run.start)], x, y) }
    : null;
}

/** Where one stands, how the room is turned, which way one looks. */
export function StandSentences() {
  const { project, view, style, commands, readOnly } = useSession();
  const { walls, outside } = standingWalls(project, view) ?? { walls: null, outside: false };
  const change = (label: string, next: (project: Project) => Partial<Omit<View, 'id'>>, run?: string): void =>
    commands.change(label, { kind: 'change-view', viewId: view.id, fields: next(project) }, run);
  const turn = turnOfRoom(project, view);
  return (
    <>
      {walls ? (
        <Sentence folds={{ order: 9, says: 'Where you stand' }}>
          You stand{' '}
          {walls.map((run, index) => {
            const distance = distanceFromWall(run, planPoint(view.station.x, view.station.y));
            return (
              <span key={run.wall.id}>
                {index === 1 ? ' and ' : ''}
                <LengthField
                  label={`Station point from ${run.wall.name}`}
                  mm={distance}
                  style={style}
                  rules={{ negative: 'allowed', zero: 'allowed' }}
                  disabled={readOnly}
                  onChange={(mm, _, nudged) =>
                    change(
                      'Move the station point',
                      () => ({
                        station: {
                          x: view.station.x + run.intoRoom.x * (mm - distance),
                          y: view.station.y + run.intoRoom.y * (mm - distance),
                        },
                      }),
                      nudged ? `nudge/station-${index}` : undefined,
                    )
                  }
                />{' '}
                from {run.wall.name}
              </span>
            );
          })}
          {outside ? ', outside the room' : ''}; your eye is{' '}
          <LengthField
            label="Eye height"
            mm={view.eyeHeight.mm}
            style={style}
            within={BOUNDS.eyeHeight}
            disabled={readOnly}
            onChange={(mm, asTyped, nudged) =>
              change('Raise or lower the eye', () => ({ eyeHeight: { mm, asTyped } }), nudged ? 'nudge/eye' : undefined)
            }
          />{' '}
          above the floor. <FollowWords />
        </Sentence>
      ) : null}
      <FigureWords />
      <SpacesAside />
      <WallsWords />
      <Sentence folds={{ order: 7, says: `The room is turned ${Math.round(turn * 100) / 100}°` }}>
        The room is turned{' '}
        <AngleField
          label="Turn of the room"
          degrees={turn}
          range={[0, 90]}
          disabled={readOnly}
          onChange={(degrees, nudged) =>
            change('Turn the plan', (now) => turnPlan(now, view, degrees), nudged ? 'nudge/turn' : undefined)
          }
        />{' '}
        to the picture plane: {turn === 0 ? 'one ' : 'two '}
        <Term of="vanishing point">{turn === 0 ? 'vanishing point' : 'vanishing points'}</Term>.{' '}
        {!readOnly
          ? [0, 30, 45, 60]
              .filter((angle) => Math.abs(angle - turn) > tolerance.sameTurnDeg)
              .map((angle) => (
                <Button
                  key={angle}
                  size="small"
                  onClick={() => change('Turn the plan', (now) => turnPlan(now, view, angle))}
                  sx={{ color: 'secondary.main', py: 0.25 }}
                >
                  {angle === 0 ? 'square on' : `${angle}°`}
                </Button>
              ))
          : null}{' '}
        You look toward bearing{' '}
        <AngleField
          label="Bearing of the line of sight"
          degrees={view.lineOfSightBearingDeg}
          range={[0, 360]}
          disabled={readOnly}
          onChange={(degrees, nudged) =>
            change(
              'Turn the line of sight',
              () => ({ lineOfSightBearingDeg: degrees }),
              nudged ? 'nudge/bearing' : undefined,
            )
          }
        />
        .
      </Sentence>
    </>
  );
}

/** Which rooms the view has, where there are several: all, or all but those put aside. */
function SpacesAside() {
  const { project, view, commands, readOnly } = useSession();
  if (project.spaces.length < 2) return null;
  const own = roomMeant(project, view)?.id;
  const joined = own === undefined ? new Set<string>() : joinedTo(project, own);
  const aside = new Set(spacesAsideOf(project, view));
  const apart = project.spaces.filter((space) => !joined.has(space.id));
  const toggle = (space: Space): void => {
    const now = view.spacesAside.includes(space.id);
    commands.change(now ? `Show ${space.name} again` : `Leave ${space.name} out`, {
      kind: 'change-view',
      viewId: view.id,
      fields: {
        spacesAside: now ? view.spacesAside.filter((id) => id !== space.id) : [...view.spacesAside, space.id],
      },
    });
  };
  return (
    <Sentence folds={{ order: 3, says: 'The rooms of this view' }}>
      This view has{' '}
      {project.spaces
        .filter((space) => joined.has(space.id))
        .map((space) => (
          <Button
            key={space.id}
            size="small"
            aria-pressed={!aside.has(space.id)}
            disabled={readOnly || space.id === own}
            sx={{ py: 0.25, textDecoration: aside.has(space.id) ? 'line-through' : 'underline' }}
            onClick={() => toggle(space)}
          >
            {space.name}
          </Button>
        ))}
      {apart.length === 0
        ? ''
        : `; no opening joins it to ${apart.map((space) => space.name).join(', ')}, which it leaves out.`}
    </Sentence>
  );
}

/** Whether the walls are drawn, or what stands there alone, on a bare sheet. */
function WallsWords() {
  const { view, commands, readOnly } = useSession();
  const left = view.walls === 'left-out';
  return (
    <Sentence folds={{ order: 0, says: left ? 'Walls are left out' : 'Walls are drawn' }}>
      {left
        ? 'Walls, floor and ceiling are left out: what stands there is drawn alone, on a bare sheet.'
        : 'Walls, floor and ceiling are drawn.'}
      {readOnly ? null : (
        <Button
          size="small"
          sx={{ color: 'secondary.main', py: 0.25 }}
          onClick={() =>
            commands.change(left ? 'Draw the walls' : 'Leave the walls out', {
              kind: 'change-view',
              viewId: view.id,
              fields: { walls: left ? 'drawn' : 'left-out' },
            })
          }
        >
          {left ? 'draw them' : 'leave them out'}
        </Button>
      )}
    </Sentence>
  );
}

/** Whether one goes with the room as it is measured, or stays where one was put. */
function FollowWords() {
  const { project, view, commands, readOnly } = useSession();
  const room = roomOfRule(project.spaces, view);
  const alone = view.walls === 'left-out' && project.pieces.some((piece) => piece.levelId === room?.levelId);
  const stands = standByRuleIn(project, view);
  if (view.standsBy === 'rule')
    return (
      <>You stand square before {alone ? 'what stands there' : (room?.name ?? 'the room')} by rule and go with it.</>
    );
  return (
    <>
      You were put here, and stay as the room is measured.
      {readOnly || !stands ? null : (
        <Button
          size="small"
          sx={{ color: 'secondary.main', py: 0.25 }}
          onClick={() =>
            commands.change('Stand by rule', {
              kind: 'change-view',
              viewId: view.id,
              fields: stands,
            })
          }
        >
          stand by rule
        </Button>
      )}
    </>
  );
}

/** A figure to judge the eye's height by, and its eyes' height to be taken over. */
function FigureWords() {
  const { project, view, style, commands, readOnly } = useSession();
  const sizes = figureSizes(project.units);
  const figure = sizes.find((one) => one.figure === view.figure);
  const level = figure !== undefined && Math.abs(figure.eyes - view.eyeHeight.mm) < 0.5;
  return (
    <Sentence folds={{ order: 2, says: 'Who stands beside you' }}>
      Beside you is{' '}
      <Choice
        label="Figure beside the eye"
        value={view.figure}
        disabled={readOnly}
        options={[
          { value: 'none', words: 'nobody' },
          ...sizes.map((one) => ({ value: one.figure, words: FIGURE_WORDS[one.figure] })),
        ]}
        onChange={(next: ScaleFigure) =>
          commands.change('Choose the figure beside the eye', {
            kind: 'change-view',
            viewId: view.id,
            fields: { figure: next },
          })
        }
      />
      {figure ? `, ${formatLength(figure.tall, style)} tall, eyes at ${formatLength(figure.eyes, style)}` : ''}.
      {figure && !level && !readOnly ? (
        <Button
          size="small"
          sx={{ color: 'secondary.main', py: 0.25 }}
          onClick={() =>
            commands.change('Bring the eye to the figure’s', {
              kind: 'change-view',
              viewId: view.id,
              fields: {
                eyeHeight: { mm: figure.eyes, asTyped: formatBareLength(figure.eyes, style) },
              },
            })
          }
        >
          see with those eyes
        </Button>
      ) : null}
    </Sentence>
  );
}

const FIGURE_WORDS: Readonly<Record<Exclude<ScaleFigure, 'none'>, string>> = {
  standing: 'someone standing',
  seated: 'someone seated',
  child: 'a child',
};
