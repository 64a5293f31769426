import { err, ok } from '@/core/base';
import type { UnitSystem } from '@/core/units';
import { removePiece, renameProject, type Edit } from '../edits';
import { removeOpening, removeSurface } from '../opening-edits';
import { renameThing } from '../piece-edits';
import { layAside, ringAgain } from '../laid-aside';
import type { Project, RingTold } from '../project';
import { removeSpace } from '../room-edits';
import type { Id } from '../size';
import { findThing } from '../things';
import type { Handlers } from './handlers';
import { eachOf } from './piece-changes';

/** Changes of the project itself, and of things whatever they are. */
export interface ProjectChanges {
  readonly 'rename-project': { readonly name: string };
  readonly 'change-units': { readonly units: UnitSystem };
  /** A wall, opening, piece, surface, room or level. */
  readonly 'rename-thing': { readonly id: Id; readonly name: string };
  /** Takes things out, with what hangs on them. */
  readonly 'remove-things': { readonly ids: readonly Id[] };
  /** Lets a ring be, with the reason for it. */
  readonly 'lay-aside': { readonly ring: RingTold; readonly reason: string };
  readonly 'ring-again': { readonly id: Id };
}

function removeThing(project: Project, id: Id): Edit {
  const found = findThing(project, id);
  switch (found?.kind) {
    case 'piece':
      return ok(removePiece(project, id));
    case 'opening':
      return ok(removeOpening(project, id));
    case 'surface':
      return ok(removeSurface(project, id));
    case 'space':
      return removeSpace(project, id);
    case 'wall':
    case 'level':
      return err({ reason: 'bad-value', message: `${found.name} cannot be taken out by itself.` });
    case undefined:
      // Gone already, with something it hung on.
      return ok(project);
  }
}

export const PROJECT_CHANGES: Handlers<ProjectChanges> = {
  'rename-project': (project, { name }) =>
    name.trim() === ''
      ? err({ reason: 'bad-value', message: 'A project wants a name.' })
      : ok(renameProject(project, name)),
  'change-units': (project, { units }) => ok({ ...project, units }),
  'rename-thing': (project, { id, name }) => renameThing(project, id, name),
  'remove-things': (project, { ids }) => eachOf(project, ids, removeThing),
  'lay-aside': (project, { ring, reason }) => layAside(project, ring, reason),
  'ring-again': (project, { id }) => ringAgain(project, id),
};
