'use client';
import { sceneOf, sheetOf, type Scene } from '@/core/pipeline';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Result } from '@/core/base';
import { type Drawing, type LayersLaid } from '@/core/drawing';
import type { Id, MeasuredRoom, Project, View } from '@/core/record';
import { projectSegments, resolveSetUp, type SetUpError, standOf, type Stand } from '@/core/view';
import { drain, framedCurves, visibleLinesExact, type VisibleLines, carriedLines, type Seen } from '@/core/visibility';
import type { LinesService } from '@/interface/services';
import { currentView, type WorkStore } from '@/state';

/**
 * Edges up to which the exact picture is made at once: 10 to 25 ms here for the demonstration rooms, which have up to 4,000. Above it a quick
 * picture stands, every edge and nothing hidden, until the worker's exact one arrives.
 */
const WITHIN_FRAME_EDGES = 6000;

const MOST_TRIES = 2;

/**
 * Edges up to which Measure's small picture follows a piece while it is dragged. There the bodies are made anew in every frame as well, and plan
 * and elevation come first.
 */
const MEASURED_EDGES = 2500;

/** Whether Measure's small picture waits until a drag is over. */
export const slowToFollow = ({ edgeCount }: Scene): boolean => edgeCount > MEASURED_EDGES;

/** Whether the exact picture of a scene takes longer than a drag can wait. */
export const isLarge = ({ edgeCount }: Scene): boolean => edgeCount > WITHIN_FRAME_EDGES;

export interface Perspective {
  readonly scene: Scene;
  readonly stand: Stand;
  readonly lines: VisibleLines;
  /** True while a quick picture stands in for the exact one. */
  readonly quick: boolean;
  /** The sheet as it is drawn; made when first asked for. */
  readonly drawing: Drawing;
}

function quickLines(scene: Scene, stand: Stand, view: View): VisibleLines {
  const { edges } = scene.prepared;
  const world = new Float64Array(edges.length * 6);
  edges.forEach(({ from, to }, i) => world.set([from.x, from.y, from.z, to.x, to.y, to.z], i * 6));
  const picture = new Float64Array(edges.length * 4);
  const edge = new Int32Array(edges.length);
  const rows = projectSegments(stand.setUp, world, view.frame, picture, edge);
  const along = new Float64Array(rows * 2).map((_, i) => i % 2);
  return {
    silhouettes: [],
    picture: picture.subarray(0, rows * 4),
    along,
    edge: edge.subarray(0, rows),
    seen: new Uint8Array(rows).fill(1),
    hiddenBy: new Int32Array(rows).fill(-1),
    curves: framedCurves(scene.prepared, stand.setUp, view.frame),
  };
}

/** Until the exact lines of this place and record arrive: those known last, carried along, or every edge with nothing hidden. */
const standIn = (scene: Scene, stand: Stand, view: View, known: Seen | null): VisibleLines =>
  known ? carriedLines(scene.prepared, known, stand.setUp, view.frame) : quickLines(scene, stand, view);

/** Record and view to drawing. Each part is remembered by exactly what it depends on. */
export function usePerspective(
  project: Project,
  view: View,
  pieceId: Id | null,
  service: LinesService | null,
  laid?: LayersLaid,
  readied: Scene | null = null,
): {
  readonly scene: Scene;
  readonly perspective: Result<Perspective, SetUpError>;
  /** Whether the exact picture is on its way. */
  readonly awaited: boolean;
} {
  const room = useRoom(project);
  const scene = useScene(room, readied);
  const stand = useMemo(() => standOf(room, view), [room, view]);
  const small = !isLarge(scene) || service === null;
  const exact = useMemo(
    () => (small && stand.ok ? drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame)) : null),
    [small, scene, stand, view.frame],
  );
  const { worked, givenUp } = useWorkerLines(
    small ? null : service,
    project,
    scene,
    stand.ok ? stand.value : null,
    view,
  );
  const fromWorker = worked && stand.ok && worked.scene === scene && worked.stand === stand.value ? worked.lines : null;
  const lines = useMemo(
    () =>
      exact ??
      fromWorker ??
      (stand.ok
        ? standIn(scene, stand.value, view, worked && { scene: worked.scene.prepared, lines: worked.lines })
        : null),
    [exact, fromWorker, scene, stand, view, worked],
  );
  const perspective = useMemo((): Result<Perspective, SetUpError> => {
    if (!stand.ok) return stand;
    if (!lines) throw new Error('lines exist where the view stands');
    let drawing: Drawing | null = null;
    return {
      ok: true,
      value: {
        ...{ scene, stand: stand.value, lines, quick: exact === null && fromWorker === null },
        get drawing() {
          return (drawing ??= sheetOf(project, view, scene, stand.value, lines, pieceId, undefined, laid));
        },
      },
    };
  }, [stand, lines, project, view, scene, pieceId, exact, fromWorker, laid]);
  return { scene, perspective, awaited: perspective.ok && perspective.value.quick && !givenUp };
}

/** The measured part of a project: its lists share structure between edits, so a change of view leaves the room, and its bodies, as they are. */
export function useRoom({ levels, spaces, openings, pieces, surfaces }: Project): MeasuredRoom {
  return useMemo(() => ({ levels, spaces, openings, pieces, surfaces }), [levels, spaces, openings, pieces, surfaces]);
}

/** The room's scene; what an edit leaves alone is taken over from the scene before it. */
function useScene(room: MeasuredRoom, readied: Scene | null): Scene {
  const [kept, setKept] = useState<{ readonly room: MeasuredRoom; readonly scene: Scene }>(() => ({
    room,
    scene: sceneOf(room, readied ?? undefined),
  }));
  if (kept.room === room) return kept.scene;
  const scene = sceneOf(room, kept.scene);
  setKept({ room, scene });
  return scene;
}

/** The last lines from the worker, with the scene and the stand they are for; null until the first arrive. */
function useWorkerLines(
  service: LinesService | null,
  project: Project,
  scene: Scene,
  stand: Stand | null,
  view: View,
): {
  readonly worked: { readonly scene: Scene; readonly stand: Stand; readonly lines: VisibleLines } | null;
  readonly givenUp: boolean;
} {
  // A worker that fell silent or lost the room is asked again, twice for one picture; then the quick one stays.
  const [failures, setFailures] = useState<{ readonly scene: Scene; readonly count: number } | null>(null);
  const tries = failures?.scene === scene ? failures.count : 0;
  const [result, setResult] = useState<{ scene: Scene; stand: Stand; lines: VisibleLines } | null>(null);
  const latest = useRef(project);
  useEffect(() => {
    latest.current = project;
  });
  useEffect(() => {
    if (!service || !stand) return undefined;
    const job = {
      project: latest.current,
      setUp: stand.setUp,
      frame: view.frame,
      done: (lines: VisibleLines) => setResult({ scene, stand, lines }),
      progress: () => undefined,
      failed: () =>
        setFailures((now) => ({ scene, count: now?.scene === scene ? Math.min(MOST_TRIES, now.count + 1) : 1 })),
    };
    service.request(job);
    return () => service.cancel(job);
  }, [service, scene, stand, view.frame, tries]);
  return { worked: result, givenUp: tries >= MOST_TRIES };
}

/** What the next exact picture will be asked for is asked as soon as the record or the view changes: the worker is at it while the screen is rendered. */
export function useAskedAhead(store: WorkStore, service: LinesService | null, scene: Scene): void {
  const large = isLarge(scene);
  useEffect(() => {
    if (!service || !large) return undefined;
    return store.subscribe((now, before) => {
      const project = now.history.present;
      if (project === before.history.present) return;
      const view = currentView(project, now.desk);
      const setUp = resolveSetUp(project, view);
      if (setUp.ok) service.ahead({ project, setUp: setUp.value, frame: view.frame });
    });
  }, [store, service, large]);
}
