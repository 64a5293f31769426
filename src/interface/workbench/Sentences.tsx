'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import {
  distanceFromWall,
  wallRuns,
  type Id,
  type MeasuredRoom,
  type PicturePlaneBinding,
  type Project,
  type ScaleFigure,
  type View,
} from '@/core/record';
import { dot2 } from '@/core/geometry';
import { planPoint } from '@/core/space';
import type { Body } from '@/core/solids';
import { formatBareLength, formatLength, formatPaper, type LengthStyle } from '@/core/units';
import {
  figureSizes,
  frameOffSight,
  HALF_CONE_DEG,
  measuredPlanes,
  offSightInFrame,
  turnPlan,
  withinCone,
  type MeasuredPlanes,
  type SetUp,
} from '@/core/view';
import { AngleField, Choice, Figure, LengthField, ScaleField } from '@/interface/fields';
import { turnOfRoom } from '@/interface/board';
import { Term } from '@/interface/words';
import type { Commands } from '@/state';
import { PieceSentences } from './PieceSentences';
import { Sentence } from './Sentence';

interface SentencesProps {
  readonly project: Project;
  /** The measured part of it, the same while only the view changes. */
  readonly room: MeasuredRoom;
  readonly view: View;
  readonly setUp: SetUp | null;
  readonly bodies: readonly Body[];
  readonly chosen: Id | null;
  readonly style: LengthStyle;
  readonly commands: Commands;
  readonly readOnly: boolean;
}

/** Two walls of the room square to each other, from which a standing place is told: the first wall and the first that is not parallel to it. */
function standingWalls(project: Project) {
  const runs = project.spaces[0] ? wallRuns(project.spaces[0]) : [];
  const [first] = runs;
  const second = runs.find((run) => first && Math.abs(dot2(run.run, first.intoRoom)) > 0.5);
  return first && second ? ([first, second] as const) : null;
}

/** Where one stands and what one sees, in sentences with their figures editable in place. At most nine. */
export function Sentences(props: SentencesProps) {
  const { project, view, setUp, chosen, style, commands, readOnly } = props;
  return (
    <Box component="section" aria-label="The view in figures">
      <StandSentences {...props} />
      {setUp ? <PaperSentences {...props} setUp={setUp} /> : null}
      {setUp ? <ConeSentence view={view} setUp={setUp} bodies={props.bodies} /> : null}
      {chosen ? (
        <PieceSentences {...{ room: props.room, style, commands, readOnly }} pieceId={chosen} />
      ) : (
        <Sentence>There is no piece in this room yet.</Sentence>
      )}
      <span className="spoken">
        {view.name}, {project.name}
      </span>
    </Box>
  );
}

function StandSentences({ project, view, style, commands, readOnly }: SentencesProps) {
  const walls = standingWalls(project);
  const change = (label: string, next: (project: Project) => Partial<Omit<View, 'id'>>, run?: string): void =>
    commands.change(label, { kind: 'change-view', viewId: view.id, fields: next(project) }, run);
  const turn = turnOfRoom(project, view);
  return (
    <>
      {walls ? (
        <Sentence>
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
          {walls.some((run) => distanceFromWall(run, planPoint(view.station.x, view.station.y)) < 0)
            ? ', outside the room'
            : ''}
          ; your eye is{' '}
          <LengthField
            label="Eye height"
            mm={view.eyeHeight.mm}
            style={style}
            disabled={readOnly}
            onChange={(mm, asTyped, nudged) =>
              change('Raise or lower the eye', () => ({ eyeHeight: { mm, asTyped } }), nudged ? 'nudge/eye' : undefined)
            }
          />{' '}
          above the floor.{' '}
          <FigureWords project={project} view={view} commands={commands} readOnly={readOnly} style={style} />
        </Sentence>
      ) : null}
      <Sentence>
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
              .filter((angle) => Math.abs(angle - turn) > 1e-6)
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

/** A figure to judge the eye's height by, and its eyes' height to be taken over. */
function FigureWords({
  project,
  view,
  style,
  commands,
  readOnly,
}: Pick<SentencesProps, 'project' | 'view' | 'style' | 'commands' | 'readOnly'>) {
  const sizes = figureSizes(project.units);
  const figure = sizes.find((one) => one.figure === view.figure);
  const level = figure !== undefined && Math.abs(figure.eyes - view.eyeHeight.mm) < 0.5;
  return (
    <>
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
    </>
  );
}

const FIGURE_WORDS: Readonly<Record<Exclude<ScaleFigure, 'none'>, string>> = {
  standing: 'someone standing',
  seated: 'someone seated',
  child: 'a child',
};

/** What the picture plane can be bound to, as choices. */
function bindingChoices(
  project: Project,
): readonly { readonly key: string; readonly words: string; readonly binding: PicturePlaneBinding }[] {
  return project.spaces.flatMap((space) => [
    ...space.walls.map((wall) => ({
      key: `wall/${wall.id}`,
      words: `through ${wall.name}`,
      binding: { through: 'wall' as const, wallId: wall.id },
    })),
    ...space.walls.map((wall, index) => {
      const before = space.walls[(index + space.walls.length - 1) % space.walls.length];
      return {
        key: `corner/${wall.startCorner}`,
        words: `through the corner of ${before?.name ?? ''} and ${wall.name}`,
        binding: { through: 'corner' as const, cornerId: wall.startCorner },
      };
    }),
  ]);
}

function PaperSentences({
  project,
  view,
  setUp,
  style,
  commands,
  readOnly,
}: SentencesProps & { readonly setUp: SetUp }) {
  const binding = view.picturePlane;
  const choices = bindingChoices(project);
  const planes = measuredPlanes(project, view, setUp);
  const key =
    binding.through === 'wall'
      ? `wall/${binding.wallId}`
      : binding.through === 'corner'
        ? `corner/${binding.cornerId}`
        : binding.through;
  const bind = (chosen: string): void => {
    const choice = choices.find((one) => one.key === chosen);
    const free: PicturePlaneBinding =
      chosen === 'distance'
        ? { through: 'distance', mm: setUp.pictureDistance }
        : {
            through: 'point',
            x: setUp.station.x + setUp.forward.x * setUp.pictureDistance,
            y: setUp.station.y + setUp.forward.y * setUp.pictureDistance,
          };
    commands.change('Bind the picture plane', {
      kind: 'change-view',
      viewId: view.id,
      fields: { picturePlane: choice?.binding ?? free },
    });
  };
  return (
    <>
      <Sentence>
        The <Term>picture plane</Term> goes{' '}
        <Choice
          label="Picture plane goes"
          value={key}
          disabled={readOnly}
          options={[
            ...choices.map((choice) => ({ value: choice.key, words: choice.words })),
            { value: 'point', words: 'through a point of the room' },
            { value: 'distance', words: 'at a fixed distance from you' },
          ]}
          onChange={bind}
        />{' '}
        and stands{' '}
        <LengthField
          label="Distance of the picture plane"
          mm={setUp.pictureDistance}
          style={style}
          disabled={readOnly}
          onChange={(mm, _, nudged) =>
            commands.change(
              'Move the picture plane',
              {
                kind: 'change-view',
                viewId: view.id,
                fields: {
                  picturePlane:
                    binding.through === 'distance'
                      ? { through: 'distance', mm }
                      : {
                          through: 'point',
                          x: setUp.station.x + setUp.forward.x * mm,
                          y: setUp.station.y + setUp.forward.y * mm,
                        },
                },
              },
              nudged ? 'nudge/plane' : undefined,
            )
          }
        />{' '}
        before you{planeWords(setUp, planes, binding)}.
        {readOnly
          ? null
          : (['front', 'back'] as const).map((which) => {
              const plane = planes[which];
              return plane && !sameBinding(plane, binding) ? (
                <Button
                  key={which}
                  size="small"
                  sx={{ color: 'secondary.main', py: 0.25 }}
                  onClick={() =>
                    commands.change(PLANE_WORDS[which].label, {
                      kind: 'change-view',
                      viewId: view.id,
                      fields: { picturePlane: plane },
                    })
                  }
                >
                  measure the{' '}
                  {which === 'back' && plane.through === 'corner' ? 'back corner' : PLANE_WORDS[which].words}
                </Button>
              ) : null;
            })}
      </Sentence>
      <Sentence>
        There, paper is{' '}
        <ScaleField
          denominator={view.scaleDenominator}
          units={project.units}
          disabled={readOnly}
          onChange={(scaleDenominator) =>
            commands.change('Change the scale', { kind: 'change-view', viewId: view.id, fields: { scaleDenominator } })
          }
        />
        ; look at the {view.sheet.name} sheet from{' '}
        <Figure label="Viewing distance">{formatPaper(setUp.viewingDistance, style)}</Figure>.
      </Sentence>
    </>
  );
}

const PLANE_WORDS = {
  front: { label: 'Measure the front plane', words: 'front plane' },
  back: { label: 'Measure the back plane', words: 'back wall' },
} as const;

const sameBinding = (a: PicturePlaneBinding, b: PicturePlaneBinding): boolean =>
  (a.through === 'wall' && b.through === 'wall' && a.wallId === b.wallId) ||
  (a.through === 'corner' && b.through === 'corner' && a.cornerId === b.cornerId);

/** What the plane's place means for sizes: everything behind it is smaller than scale, everything before it larger. */
function planeWords(setUp: SetUp, { front, back }: MeasuredPlanes, binding: PicturePlaneBinding): string {
  if (front && sameBinding(front, binding)) return ', at the front of the room: all of it comes out smaller than scale';
  if (back && sameBinding(back, binding)) return ', at the back of the room: all of it comes out larger than scale';
  return setUp.pictureDistance > 0
    ? ': what lies behind it comes out smaller than scale, what lies before it larger'
    : '';
}

/** What of the drawing lies outside the usual cone of vision, worst first. */
function ConeSentence({
  view,
  setUp,
  bodies,
}: {
  readonly view: View;
  readonly setUp: SetUp;
  readonly bodies: readonly Body[];
}) {
  const outside = bodies
    .filter((body) => body.kind === 'piece' && !withinCone(setUp, body, HALF_CONE_DEG))
    .flatMap((body) => offSightInFrame(setUp, view, body) ?? [])
    .filter((off) => off.offDeg > HALF_CONE_DEG)
    .sort((a, b) => b.offDeg - a.offDeg);
  const frame = frameOffSight(setUp, view);
  const told = outside
    .slice(0, 3)
    .map((off) =>
      off.sidewaysDeg >= off.upDownDeg
        ? `${off.name} (${Math.round(off.sidewaysDeg)}° to the ${off.side})`
        : `${off.name} (${Math.round(off.upDownDeg)}° ${off.way})`,
    );
  return (
    <Sentence>
      <span data-testid="cone-words">
        The <Term>cone of vision</Term> of 60° reaches 30° to each side
        {outside.length === 0
          ? ': every piece in the frame is inside it.'
          : `; outside it: ${told.join(', ')}${outside.length > 3 ? ` and ${outside.length - 3} more` : ''}.`}{' '}
        The frame’s farthest corner is {Math.round(frame.corner)}° off.
      </span>
    </Sentence>
  );
}
