'use client';
import Button from '@mui/material/Button';
import { type PicturePlaneBinding, type Project } from '@/core/record';
import { formatBareLength, formatPaper, formatScale } from '@/core/units';
import { measuredPlanes, type MeasuredPlanes, type SetUp } from '@/core/view';
import { Choice, Figure, LengthField, ScaleField } from '@/interface/fields';
import { Term } from '@/interface/words';
import { useSession } from '@/interface/session';
import { Sentence } from '@/interface/frame';

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

/** Where the picture plane stands, and at what scale the paper is there. */
export function PlaneSentences({ setUp }: { readonly setUp: SetUp }) {
  const { project, view, style, commands, readOnly } = useSession();
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
      <Sentence
        folds={{ order: 6, says: `The picture plane, ${formatBareLength(setUp.pictureDistance, style)} before you` }}
      >
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
      <Sentence folds={{ order: 8, says: `The scale, ${formatScale(view.scaleDenominator, project.units)}` }}>
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
