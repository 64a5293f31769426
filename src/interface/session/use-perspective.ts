'use client';
import { sceneOf, sheetOf, type Scene } from '@/core/pipeline';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Result } from '@/core/base';
import { type Drawing, type LayersLaid } from '@/core/drawing';
import type { Id, MeasuredRoom, Project, View } from '@/core/record';
import { projectSegments, resolveSetUp, seenIn, type SetUpError, standOf, type Stand } from '@/core/view';
import { drain, framedCurves, visibleLinesExact, type VisibleLines, carriedLines, type Seen } from '@/core/visibility';
import type { LinesService } from '@/interface/services';
import { afterFrame } from './after-frame';
import { useShownAfter } from './use-shown-after';
import { currentView, type WorkStore } from '@/state';

/**
 * Edges up to which the exact picture is made at once: 10 to 25 ms here for the demonstration rooms, which have up to 4,000. Above it a quick
 * picture stands, every edge and nothing hidden, until the worker's exact one arrives.
 */
const WITHIN_FRAME_EDGES = 6000;

const MOST_TRIES = 2;

/** What a picture is asked of. */
interface Asked {
  readonly project: Project;
  readonly view: View;
  readonly pieceId: Id | null;
  readonly scene: Scene;
}

/** What the worker answered, and to what. */
interface Worked {
  readonly of: Asked;
  readonly scene: Scene;
  readonly stand: Stand;
  readonly lines: VisibleLines;
}

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

/** Edges beyond which they are not shown all at once, hidden ones too, while one waits for the exact picture: such a tangle tells nothing. */
const TANGLE_EDGES = 30_000;

const NO_LINES: VisibleLines = {
  silhouettes: [],
  picture: new Float64Array(),
  along: new Float64Array(),
  edge: new Int32Array(),
  seen: new Uint8Array(),
  hiddenBy: new Int32Array(),
  curves: {
    silhouettes: [],
    curve: new Int32Array(),
    range: new Float64Array(),
    seen: new Uint8Array(),
    hiddenBy: new Int32Array(),
  },
};

/**
 * Until the exact lines of this place and record arrive: those known last, carried along, or every edge with nothing hidden; of a room that would be a
 * tangle, nothing.
 */
function standIn(scene: Scene, stand: Stand, view: View, known: Seen | null): VisibleLines {
  if (known) return carriedLines(scene.prepared, known, stand.setUp, view.frame);
  return scene.edgeCount > TANGLE_EDGES ? NO_LINES : quickLines(scene, stand, view);
}

/**
 * Record and view to drawing. Each part is remembered by exactly what it depends on. Where the picture `follows` it comes a moment after the
 * edit: what one works at comes first.
 */
export function usePerspective(
  now: { readonly project: Project; readonly view: View; readonly pieceId: Id | null },
  service: LinesService | null,
  laid: LayersLaid | undefined,
  readied: Scene | null,
  follows: boolean,
): {
  readonly scene: Scene;
  readonly perspective: Result<Perspective, SetUpError>;
  /** Whether the exact picture is on its way. */
  readonly awaited: boolean;
} {
  const sceneNow = useScene(useRoom(now.project), readied);
  const { project: projectNow, view: viewNow, pieceId: pieceNow } = now;
  const whole = useMemo(
    (): Asked => ({ project: projectNow, view: viewNow, pieceId: pieceNow, scene: sceneNow }),
    [projectNow, viewNow, pieceNow, sceneNow],
  );
  const small = !isLarge(sceneNow) || service === null;
  const shown = useShownAfter(whole, follows);
  const { project, view, scene } = shown;
  const room = useRoom(project);
  const stand = useMemo(() => standOf(room, view), [room, view]);
  const exact = useMemo(
    () => (small && stand.ok ? drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame)) : null),
    [small, scene, stand, view.frame],
  );
  const { worked, givenUp } = useWorkerLines(small ? null : service, shown, stand.ok ? stand.value : null);
  const fromWorker = worked && stand.ok && worked.scene === scene && worked.stand === stand.value ? worked.lines : null;
  const quick = (exact === null && fromWorker === null) || shown !== whole;
  // A picture beside the work stays as it was worked out last until the next is; one that is worked in is carried along.
  const stays = follows && !small && quick && !givenUp && stand.ok && worked?.of.view.id === view.id ? worked : null;
  const lines = useMemo(
    () =>
      stays
        ? null
        : (exact ??
          fromWorker ??
          (stand.ok
            ? standIn(scene, stand.value, view, worked && { scene: worked.scene.prepared, lines: worked.lines })
            : null)),
    [stays, exact, fromWorker, scene, stand, view, worked],
  );
  const perspective = useMemo((): Result<Perspective, SetUpError> => {
    if (!stand.ok) return stand;
    const seen = stays ?? (lines && { of: shown, scene, stand: stand.value, lines });
    if (!seen) throw new Error('lines exist where the view stands');
    const { project, view, pieceId } = seen.of;
    let drawing: Drawing | null = null;
    return {
      ok: true,
      value: {
        ...{ scene: seen.scene, stand: seen.stand, lines: seen.lines, quick },
        get drawing() {
          return (drawing ??= sheetOf(project, view, seen.scene, seen.stand, seen.lines, pieceId, undefined, laid));
        },
      },
    };
  }, [stand, stays, lines, shown, scene, quick, laid]);
  return { scene: sceneNow, perspective, awaited: perspective.ok && quick && !givenUp };
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

/** The scene of the whole record: that of the view, unless rooms are left out of it. */
export function useWholeScene(whole: Project, seen: Project, ofView: Scene): Scene {
  const room = useRoom(whole);
  const [kept, setKept] = useState<{ readonly room: MeasuredRoom; readonly scene: Scene } | null>(null);
  if (whole === seen) return ofView;
  if (kept?.room === room) return kept.scene;
  const scene = sceneOf(room, kept?.scene);
  setKept({ room, scene });
  return scene;
}

/** The last lines from the worker, with the scene and the stand they are for; null until the first arrive. */
function useWorkerLines(
  service: LinesService | null,
  of: Asked,
  stand: Stand | null,
): {
  readonly worked: Worked | null;
  readonly givenUp: boolean;
} {
  const { scene, view } = of;
  // A worker that fell silent or lost the room is asked again, twice for one picture; then the quick one stays.
  const [failures, setFailures] = useState<{ readonly scene: Scene; readonly count: number } | null>(null);
  const tries = failures?.scene === scene ? failures.count : 0;
  const [result, setResult] = useState<Worked | null>(null);
  const latest = useRef(of);
  useEffect(() => {
    latest.current = of;
  });
  useEffect(() => {
    if (!service || !stand) return undefined;
    const asked = latest.current;
    const job = {
      project: asked.project,
      setUp: stand.setUp,
      frame: view.frame,
      done: (lines: VisibleLines) => setResult({ of: asked, scene, stand, lines }),
      progress: () => undefined,
      failed: () =>
        setFailures((now) => ({ scene, count: now?.scene === scene ? Math.min(MOST_TRIES, now.count + 1) : 1 })),
    };
    service.request(job);
    return () => service.cancel(job);
  }, [service, scene, stand, view.frame, tries]);
  return { worked: result, givenUp: tries >= MOST_TRIES };
}

/** What the next exact picture will be asked for is asked as soon as an edit of the record or the view is on the screen: the worker is at it while the rest is rendered. */
export function useAskedAhead(store: WorkStore, service: LinesService | null, scene: Scene): void {
  const large = isLarge(scene);
  useEffect(() => {
    if (!service || !large) return undefined;
    const ask = (): void => {
      const { history, desk } = store.getState();
      const project = history.present;
      const view = currentView(project, desk);
      const seen = seenIn(project, view);
      const setUp = resolveSetUp(seen, view);
      if (setUp.ok) service.ahead({ project: seen, setUp: setUp.value, frame: view.frame });
    };
    let giveUp = (): void => undefined;
    const unsubscribe = store.subscribe((now, before) => {
      if (now.history.present === before.history.present) return;
      giveUp();
      giveUp = afterFrame(ask);
    });
    return () => {
      unsubscribe();
      giveUp();
    };
  }, [store, service, large]);
}
