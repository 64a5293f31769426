import { capital } from '@/core/base';
import {
  allSizes,
  claimOf,
  disagreeingClaims,
  findingsOf,
  lengthStyleOf,
  SOURCE_WORDS,
  type Piece,
  type Project,
  several,
} from '@/core/record';
import { formatBareLength, formatLength } from '@/core/units';
import { type Contradiction, type Reading } from './contradiction';
import { reaching, standingOf } from './contradictions-in-space';
import { ceilings, remediesFor, underSlopes } from './contradictions-of-openings';
import { checks, divisions, refused, stair } from './contradictions-of-pieces';
import { roomsOverlap } from './contradictions-of-rooms';
import { ofSurface } from './contradictions-of-surfaces';

/** What a piece contradicts by itself, with what besides the piece it was told from: an edit asks only the pieces it touches anew. */
const piecesKept = new WeakMap<Piece, { readonly by: readonly unknown[]; readonly found: readonly Contradiction[] }>();

function ofPiece(piece: Piece, reading: Reading): readonly Contradiction[] {
  const { spaces, levels, units, fractions, rulerStepMm } = reading.project;
  const by = [spaces, levels, units, fractions, rulerStepMm];
  const known = piecesKept.get(piece);
  if (known?.by.every((one, i) => one === by[i])) return known.found;
  const found = [
    ...refused(piece, reading),
    ...divisions(piece, reading),
    ...checks(piece, reading),
    ...stair(piece, reading),
  ];
  piecesKept.set(piece, { by, found });
  return found;
}

/** Tells the contradictions of a large room piece by piece, so that asking for all of them is short; yields what part is told. */
export function* contradictionsInSteps(project: Project): Generator<number, readonly Contradiction[]> {
  const reading = readingOf(project);
  for (const [i, piece] of project.pieces.entries()) {
    ofPiece(piece, reading);
    standingOf(piece, reading);
    yield i / project.pieces.length;
  }
  return contradictionsOf(project);
}

/** All that cannot be as it is said, each with its ways out, in a stable order. */
export function contradictionsOf(project: Project): readonly Contradiction[] {
  const reading = readingOf(project);
  const list: Contradiction[] = [];
  for (const finding of findingsOf(project)) {
    if (finding.kind === 'claims-disagree') continue;
    list.push({ ...finding, remedies: remediesFor(finding, reading) });
  }
  list.push(
    ...claims(reading),
    ...roomsOverlap(reading),
    ...project.spaces.flatMap((space) => [...ceilings(space, reading), ...underSlopes(space, reading)]),
    ...project.pieces.flatMap((piece) => ofPiece(piece, reading)),
    ...project.surfaces.flatMap((surface) => ofSurface(surface, reading)),
    ...reaching(reading),
  );
  return list.map(asSentence);
}

/** What is said begins as a sentence does, whatever a thing is called. */
const asSentence = (one: Contradiction): Contradiction => ({
  ...one,
  message: capital(one.message),
});

function readingOf(project: Project): Reading {
  const style = lengthStyleOf(project);
  return {
    project,
    show: (mm) => formatLength(mm, style),
    print: (mm) => formatBareLength(mm, style),
  };
}

function claims({ project, show }: Reading): Contradiction[] {
  return allSizes(project).flatMap(({ size, owner, ownerId, what }) =>
    disagreeingClaims(size).map((claim): Contradiction => {
      const now = claimOf(size);
      return {
        kind: 'claims-disagree',
        about: ownerId,
        of: [size.id, claim.id, now.mm - claim.mm],
        message: `The ${what} of ${owner} is ${show(now.mm)} (${SOURCE_WORDS[now.source]}), but ${show(claim.mm)} was ${claim.source === 'usual' ? 'taken as' : 'said,'} ${SOURCE_WORDS[claim.source]}. Decide which holds.`,
        remedies: [
          {
            label: `Keep ${show(now.mm)}, strike out the other`,
            change: { kind: 'withdraw-claim', sizeId: size.id, claimId: claim.id },
          },
          {
            label: `Take ${show(claim.mm)}, strike out the first`,
            change: several([
              { kind: 'put-in-force', sizeId: size.id, claimId: claim.id },
              { kind: 'withdraw-claim', sizeId: size.id, claimId: now.id },
            ]),
          },
        ],
      };
    }),
  );
}
