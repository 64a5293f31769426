import { dot2, type Vector2 } from '@/core/geometry';
import { wallOf, wallRuns, type Change, type Id, type Project, type Space, type WallRun } from '@/core/record';
import { openingKindOf } from '@/core/solids';
import { wallOfChosen } from './places';
import { openingFromTemplate, pieceFromTemplate, surfaceFromTemplate } from './place-template';
import type { Template } from './TemplateSheet';

/** The wall of a level that a point of the plan lies nearest to. */
export function wallNear(project: Project, levelId: Id, point: Vector2): WallRun | undefined {
  const away = (run: WallRun): number => {
    const from = { x: point.x - run.start.x, y: point.y - run.start.y };
    const along = Math.min(run.lengthMm, Math.max(0, dot2(from, run.run)));
    return Math.hypot(from.x - run.run.x * along, from.y - run.run.y * along);
  };
  return project.spaces
    .filter((space) => space.levelId === levelId)
    .flatMap((space) => wallRuns(space))
    .map((run) => ({ run, away: away(run) }))
    .sort((a, b) => a.away - b.away)[0]?.run;
}

/** The room of what is chosen: itself, or the one a piece stands in or a pattern lies in. Walls and openings say it themselves. */
function homeOf(project: Project, chosen: Id | null): Space | undefined {
  const piece = project.pieces.find((one) => one.id === chosen);
  if (piece) return wallOf(project, piece.place.from[0].wallId)?.space;
  const spaceId = project.surfaces.find((one) => one.id === chosen)?.spaceId ?? chosen;
  return project.spaces.find((space) => space.id === spaceId);
}

/** What a template makes: a piece where it was let go, an opening or a pattern in the wall nearest to there, else in the chosen wall. */
export function fromTemplate(
  project: Project,
  template: Template,
  { first, levelId }: { readonly first: Id | null; readonly levelId: Id },
  point: Vector2 | null,
  print: (mm: number) => string,
): { readonly id: Id; readonly label: string; readonly change: Change } | null {
  const chosenWall = wallOfChosen(project, first);
  if (template.what === 'piece') {
    const made = pieceFromTemplate(project, template.kind, levelId, point, chosenWall, print, homeOf(project, first));
    return made && { id: made.id, label: `Put in ${made.name}`, change: { kind: 'add-piece', piece: made } };
  }
  const onLevel = project.spaces.filter((space) => space.levelId === levelId);
  const home = homeOf(project, first) ?? onLevel[0] ?? project.spaces[0];
  const wall = (point && wallNear(project, levelId, point)) ?? chosenWall ?? (home ? wallRuns(home)[0] : undefined);
  if (!wall) return null;
  if (template.what === 'opening') {
    const kind = openingKindOf(template.kind);
    const made = kind && openingFromTemplate(project, kind, wall, point, print);
    return made ? { id: made.id, label: `Put in ${made.name}`, change: { kind: 'add-opening', opening: made } } : null;
  }
  const made = surfaceFromTemplate(project, template.kind, wall, print);
  return made && { id: made.id, label: `Lay ${made.name}`, change: { kind: 'add-surface', surface: made } };
}
