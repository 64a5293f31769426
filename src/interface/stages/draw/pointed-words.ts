import { capital } from '@/core/base';
import { realError, type MarkId } from '@/core/construction';
import type { Project } from '@/core/record';
import type { Body } from '@/core/solids';
import type { WorldPoint } from '@/core/space';
import { formatBareLength, formatLength, formatPaper, type LengthStyle } from '@/core/units';
import { eyeFromWorld, type SetUp } from '@/core/view';
import { cornersOf } from '@/interface/board';
import { placeWords, sideways, upright } from '@/interface/words';
import type { LaidPlan } from './laid-plan';
import { restingOnPointed, type PlanPointed } from './point-at-plan';

interface Told {
  readonly laid: LaidPlan;
  readonly pointed: PlanPointed;
  readonly project: Project;
  readonly bodies: readonly Body[];
  readonly setUp: SetUp;
  readonly style: LengthStyle;
}

/** A corner within this of a place is that place, mm. */
const SAME_MM = 1e-3;

/** What a mark or a line of the paper is: which step made it, what it stands for, what is to be expected of it, what rests on it. */
export function pointedWords(told: Told): readonly string[] {
  const { laid, pointed } = told;
  const { plan, stepOfLine, stepOfMark } = laid;
  const resting = restingOnPointed(
    plan.steps.flatMap((one) => one.operations),
    pointed,
  );
  const rests = restWords(laid, resting);
  if (pointed.is === 'line') {
    const step = stepOfLine.get(pointed.line);
    const title = step === undefined ? '' : ` in step ${step + 1}, “${plan.steps[step]?.title ?? ''}”`;
    return [`${capital(plan.lineNames.get(pointed.line) ?? 'a line')}, drawn${title}.`, rests];
  }
  const mark = laid.paper.marks.get(pointed.mark);
  if (!mark) return [];
  const step = stepOfMark.get(pointed.mark);
  const { style, setUp } = told;
  const made = step === undefined ? '' : `, made in step ${step + 1}, “${plan.steps[step]?.title ?? ''}”`;
  return [
    `${plan.labels.get(pointed.mark) ?? 'A mark'}${made}: ${sideways(mark.at.u, style)}, ${upright(mark.at.v, style)} the horizon.`,
    ...(mark.stands ? [standsWords(told, mark.stands)] : []),
    ...(mark.flat
      ? ['It rests on a flat crossing: how far it may be missed cannot be told.']
      : mark.stands
        ? [errorWords(realError(setUp, mark.stands, mark.covariance), style)]
        : []),
    rests,
  ];
}

function standsWords({ project, bodies, setUp, style }: Told, at: WorldPoint): string {
  const corner = cornersOf(bodies).find(
    (one) => Math.hypot(one.at.x - at.x, one.at.y - at.y, one.at.z - at.z) < SAME_MM,
  );
  const { depth, lateral } = eyeFromWorld(setUp, at);
  const height = at.z - setUp.floor;
  const place = `${formatBareLength(depth, style)} ahead of you, ${sidewaysReal(lateral, style)}, ${height < 0 ? `${formatBareLength(-height, style)} below` : `${formatBareLength(height, style)} above`} your floor`;
  return corner
    ? `It stands for ${placeWords(project, corner.bodyName, corner.role)}: ${place}.`
    : `It stands for a place ${place}.`;
}

const sidewaysReal = (lateral: number, style: LengthStyle): string =>
  Math.abs(lateral) < 0.5
    ? 'straight on'
    : `${formatBareLength(Math.abs(lateral), style)} to the ${lateral < 0 ? 'left' : 'right'}`;

function errorWords({ paperMm, besides, deep }: ReturnType<typeof realError>, style: LengthStyle): string {
  const depth = deep === null ? '' : `, ${formatLength(deep, style)} nearer or farther`;
  return `Nineteen times in twenty it falls within ${formatPaper(paperMm, style)}: in the room ${formatLength(besides, style)} beside${depth}.`;
}

/** What rests on something, by the steps in which it is used. */
function restWords({ stepOfMark, paper }: LaidPlan, resting: ReadonlySet<MarkId>): string {
  if (resting.size === 0) return 'Nothing rests on it.';
  const steps = [...new Set([...resting].flatMap((mark) => stepOfMark.get(mark) ?? []))].sort((a, b) => a - b);
  const stands = [...resting].filter((mark) => paper.marks.get(mark)?.stands).length;
  const shown = steps.slice(0, 4).map((one) => String(one + 1));
  const more = steps.length > shown.length ? ` and ${steps.length - shown.length} more` : '';
  return `${resting.size === 1 ? 'One mark rests' : `${resting.size} marks rest`} on it${stands > 0 ? `, ${stands} of the room` : ''}: step${steps.length === 1 ? '' : 's'} ${shown.join(', ')}${more}.`;
}
