import { err, ok } from '@/core/base';
import { replace, type Edit } from './edits';
import type { Project, View } from './project';
import type { Id } from './size';

const unknown: Edit = err({ reason: 'unknown', message: 'That view is not in this project.' });
const nameless: Edit = err({ reason: 'bad-value', message: 'A view wants a name.' });

export function addView(project: Project, view: View): Edit {
  if (project.views.some((one) => one.id === view.id))
    return err({ reason: 'id-in-use', message: 'That name is taken by another view.' });
  if (view.name.trim() === '') return nameless;
  return ok({ ...project, views: [...project.views, view] });
}

/** A view set down again under another name, after the one it is copied from, with the piece chosen in it. */
export function copyView(project: Project, viewId: Id, id: Id, name: string): Edit {
  const index = project.views.findIndex((one) => one.id === viewId);
  const view = project.views[index];
  if (!view) return unknown;
  if (project.views.some((one) => one.id === id))
    return err({ reason: 'id-in-use', message: 'That name is taken by another view.' });
  if (name.trim() === '') return nameless;
  const plan = project.plans.find((one) => one.viewId === viewId);
  return ok({
    ...project,
    views: [...project.views.slice(0, index + 1), { ...view, id, name }, ...project.views.slice(index + 1)],
    plans: plan ? [...project.plans, { ...plan, id: `plan-${id}`, viewId: id }] : project.plans,
  });
}

export function renameView(project: Project, viewId: Id, name: string): Edit {
  if (!project.views.some((one) => one.id === viewId)) return unknown;
  if (name.trim() === '') return nameless;
  return ok({ ...project, views: replace(project.views, viewId, (view) => ({ ...view, name })) });
}

/** Puts a view at another place of the list, counted from 0; beyond its ends at the end. */
export function moveView(project: Project, viewId: Id, to: number): Edit {
  const view = project.views.find((one) => one.id === viewId);
  if (!view) return unknown;
  const rest = project.views.filter((one) => one.id !== viewId);
  const place = Math.min(rest.length, Math.max(0, Math.round(to)));
  return ok({ ...project, views: [...rest.slice(0, place), view, ...rest.slice(place)] });
}

export function removeView(project: Project, viewId: Id): Edit {
  if (project.views.length === 1) return err({ reason: 'last-view', message: 'A project keeps at least one view.' });
  if (!project.views.some((one) => one.id === viewId)) return unknown;
  return ok({
    ...project,
    views: project.views.filter((view) => view.id !== viewId),
    plans: project.plans.filter((plan) => plan.viewId !== viewId),
  });
}
