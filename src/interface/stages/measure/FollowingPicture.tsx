'use client';
import { startTransition, useEffect, useMemo, useState } from 'react';
import { sceneOf, type Scene } from '@/core/pipeline';
import { viewOf, type Project, type View } from '@/core/record';
import { seenIn, standOf } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { LivePicture, type Pictured } from '@/interface/paper';
import { slowToFollow, useSession, type Perspective } from '@/interface/session';

/** The small picture is made anew this often while something is dragged, ms: it is the room in perspective, and the paper comes first. */
const FOLLOW_MS = 350;

/** The picture at the foot of the margin; in a room of a usual size it follows a drag, in a large one it waits for its end. */
export function FollowingPicture({ perspective }: { readonly perspective: Perspective }) {
  const { store, view } = useSession();
  const { scene } = perspective;
  const [dragged, setDragged] = useState<Project | null>(null);
  const waits = slowToFollow(scene);
  useEffect(() => {
    if (waits) return undefined;
    let at = performance.now();
    return store.subscribe((now, before) => {
      if (now.dragged === before.dragged) return;
      if (!now.dragged) return setDragged(null);
      if (performance.now() - at < FOLLOW_MS) return;
      at = performance.now();
      startTransition(() => setDragged(now.dragged));
    });
  }, [store, waits]);
  const followed = useMemo(() => (dragged ? pictureOf(dragged, view, scene) : null), [dragged, view, scene]);
  const { stand, lines, quick } = perspective;
  const still = useMemo(() => ({ scene, setUp: stand.setUp, lines }), [scene, stand, lines]);
  return <LivePicture pictured={followed ?? still} view={view} exact={followed !== null || !quick} />;
}

/** A room as it would be, in perspective; null where one could not stand. */
function pictureOf(whole: Project, { id }: View, before: Scene): Pictured | null {
  const view = viewOf(whole, id);
  const project = seenIn(whole, view);
  const stand = standOf(project, view);
  if (!stand.ok) return null;
  const scene = sceneOf(project, before);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  return { scene, setUp: stand.value.setUp, lines };
}
