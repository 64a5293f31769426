import type { Project, View } from './project';
import { findThing } from './things';

/** The project without what was said of things and views that are no longer in it: rings laid aside, rooms left out of views, walls and corners of grids. */
export function withoutGone(before: Project, after: Project): Project {
  const rings = withoutRings(after);
  if (before.spaces === after.spaces) return rings;
  const views = rings.views.map((view) => withoutPlaces(rings, view));
  return views.every((view, i) => view === rings.views[i]) ? rings : { ...rings, views };
}

function withoutRings(project: Project): Project {
  if (project.laidAside.length === 0) return project;
  const left = project.laidAside.filter(
    ({ ring: { about, viewId } }) =>
      (about === null || findThing(project, about) !== null) &&
      (viewId === null || project.views.some((view) => view.id === viewId)),
  );
  return left.length === project.laidAside.length ? project : { ...project, laidAside: left };
}

function withoutPlaces({ spaces }: Project, view: View): View {
  const aside = view.spacesAside.filter((id) => spaces.some((space) => space.id === id));
  const now = aside.length === view.spacesAside.length ? view : { ...view, spacesAside: aside };
  const { grid } = now;
  if (!grid || (grid.from === null && grid.on === null)) return now;
  const walls = spaces.flatMap((space) => space.walls);
  const from = walls.some((wall) => wall.startCorner === grid.from) ? grid.from : null;
  const on = grid.on?.filter((id) => walls.some((wall) => wall.id === id)) ?? null;
  return from === grid.from && on?.length === grid.on?.length ? now : { ...now, grid: { ...grid, from, on } };
}
