import { length2 } from '@/core/geometry';
import { tolerance } from '@/core/numeric';
import { formatLength } from '@/core/units';
import { lengthStyleOf } from './lookup';
import { outlineFault, outlineOf, wallRuns, type OutlineFault } from './outline';
import { footprintOf } from './place';
import { spanAlongWall } from './along-wall';
import type { Project, Space } from './project';
import { allSizes } from './sizes';
import { mmOf, SOURCE_WORDS, type Id, type Size } from './size';

/** Something in the record that cannot be as it is said. `about` is the id of the thing to ring on the drawing. */
export interface Finding {
  readonly kind:
    | 'claims-disagree'
    | 'outline'
    | 'closing-error'
    | 'opening-beyond-wall'
    | 'opening-above-ceiling'
    | 'openings-overlap'
    | 'place';
  readonly about: Id;
  /** What it is told of besides: other things, and figures in mm. With the same of all these it is the same contradiction, however it is worded. */
  readonly of: readonly (Id | number)[];
  readonly message: string;
}

const OUTLINE_WORDS: Readonly<Record<OutlineFault, string>> = {
  'too-few-walls': 'has fewer than three walls and encloses nothing. Add walls.',
  'crosses-itself': 'has walls that cross or fold back. Check lengths and bearings.',
  'runs-the-wrong-way':
    'is listed anticlockwise. List its walls clockwise seen from above, so that each reads left to right from inside.',
};

/** Claims whose ranges do not overlap with the claim in force contradict it. */
export function disagreeingClaims(size: Size): readonly Size['claims'][number][] {
  const inForce = size.claims.find((claim) => claim.id === size.inForce);
  if (!inForce) return [];
  return size.claims.filter((claim) => Math.abs(claim.mm - inForce.mm) > claim.uncertaintyMm + inForce.uncertaintyMm);
}

/** Neither along a wall nor in zones: one height throughout. */
const isLevel = ({ ceiling }: Space): boolean => ceiling.wallId === null && ceiling.zones.length === 0;

function spaceFindings(project: Project, space: Space): Finding[] {
  const show = (mm: number): string => formatLength(mm, lengthStyleOf(project));
  const findings: Finding[] = [];
  const fault = outlineFault(space);
  if (fault)
    findings.push({ kind: 'outline', about: space.id, of: [], message: `${space.name} ${OUTLINE_WORDS[fault]}` });
  const gap = length2(outlineOf(space).closingGap);
  if (gap > tolerance.closingMm) {
    findings.push({
      kind: 'closing-error',
      about: space.id,
      of: [gap],
      message: `The walls of ${space.name} miss closing by ${show(gap)}. Measure again, or take the error into the last wall.`,
    });
  }
  for (const run of wallRuns(space)) {
    const spans = project.openings
      .filter((opening) => opening.wallId === run.wall.id)
      .map((opening) => {
        const span = spanAlongWall(opening, run);
        const over = Math.max(-span[0], span[1] - run.lengthMm);
        if (over > tolerance.touchMm) {
          findings.push({
            kind: 'opening-beyond-wall',
            about: opening.id,
            of: [over],
            message: `${opening.name} runs ${show(over)} beyond ${run.wall.name}, which is ${show(run.lengthMm)} long. Check its offset and width.`,
          });
        }
        const rise =
          opening.head === 'flat' ? 0 : opening.sizes.rise ? mmOf(opening.sizes.rise) : mmOf(opening.width) / 2;
        const above = mmOf(opening.sill) + mmOf(opening.height) + rise - mmOf(space.ceilingHeight);
        // Under slopes, steps and vaults the wall itself says how high it is: the solids look after those.
        if (isLevel(space) && above > tolerance.touchMm) {
          findings.push({
            kind: 'opening-above-ceiling',
            about: opening.id,
            of: [above],
            message: `${opening.name} reaches ${show(above)} above the ceiling of ${space.name}. Check its sill and height.`,
          });
        }
        const heights: readonly [number, number] = [mmOf(opening.sill), mmOf(opening.sill) + mmOf(opening.height)];
        return { opening, span, heights };
      });
    spans.forEach((one, index) => {
      for (const other of spans.slice(index + 1)) {
        const side = Math.min(one.span[1], other.span[1]) - Math.max(one.span[0], other.span[0]);
        const up = Math.min(one.heights[1], other.heights[1]) - Math.max(one.heights[0], other.heights[0]);
        if (side > tolerance.touchMm && up > tolerance.touchMm) {
          findings.push({
            kind: 'openings-overlap',
            about: one.opening.id,
            of: [other.opening.id, side],
            message: `${one.opening.name} and ${other.opening.name} overlap by ${show(side)} on ${run.wall.name}. Check their offsets.`,
          });
        }
      }
    });
  }
  return findings;
}

/** All contradictions of the record, in a stable order. */
export function findingsOf(project: Project): readonly Finding[] {
  const findings: Finding[] = project.spaces.flatMap((space) => spaceFindings(project, space));
  for (const piece of project.pieces) {
    const footprint = footprintOf(project, piece);
    if (!footprint.ok) findings.push({ kind: 'place', about: piece.id, of: [], message: footprint.error.message });
  }
  for (const { size, owner, ownerId, what } of allSizes(project)) {
    for (const claim of disagreeingClaims(size)) {
      const inForce = size.claims.find((one) => one.id === size.inForce);
      if (!inForce) continue;
      const style = lengthStyleOf(project);
      findings.push({
        kind: 'claims-disagree',
        about: ownerId,
        of: [size.id, claim.id, inForce.mm - claim.mm],
        message: `The ${what} of ${owner} is ${formatLength(inForce.mm, style)} (${SOURCE_WORDS[inForce.source]}), but ${formatLength(claim.mm, style)} was ${claim.source === 'usual' ? 'taken as' : 'said,'} ${SOURCE_WORDS[claim.source]}. Decide which holds.`,
      });
    }
  }
  return findings;
}
