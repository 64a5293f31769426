import { NO_CORRECTION } from '@/core/drawing';
import {
  elevationDrawing,
  elevationOf,
  printPages,
  sceneOf,
  sheetOf,
  standWarnings,
  thumbnailOf,
} from '@/core/pipeline';
import { lengthStyleOf, type Project } from '@/core/record';
import { contradictionsOf } from '@/core/solids';
import { standOf } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';

/** What a record was taken through, and how long each took, ms of the processor: other work beside it does not count. */
export interface Passage {
  readonly took: ReadonlyMap<string, number>;
  readonly slowest: readonly [what: string, ms: number];
}

/**
 * A record that was accepted goes through everything that reads one: bodies, small picture, contradictions, warnings, exact picture, sheet, print,
 * elevation. It may be refused in words; what throws is a fault of ours.
 */
export function throughEverything(project: Project, prints: 'printed' | 'not-printed' = 'printed'): Passage {
  const took = new Map<string, number>();
  const timed = <T>(what: string, work: () => T): T => {
    const began = process.cpuUsage();
    try {
      return work();
    } catch (error) {
      throw new Error(`${what}: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}`);
    } finally {
      const { user, system } = process.cpuUsage(began);
      took.set(what, (took.get(what) ?? 0) + (user + system) / 1000);
    }
  };
  const style = lengthStyleOf(project);
  timed('contradictions', () => contradictionsOf(project));
  const scene = timed('bodies', () => sceneOf(project));
  // It is the first view's exact picture, drawn once more.
  if (prints === 'printed') timed('small picture', () => thumbnailOf(project));
  for (const view of project.views) {
    const stand = timed('stand', () => standOf(project, view));
    if (!stand.ok) continue;
    const lines = timed('picture', () => drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame)));
    timed('warnings', () => standWarnings(project, view, scene, stand.value, lines, style));
    timed('sheet', () => sheetOf(project, view, scene, stand.value, lines, null));
    for (const paper of prints === 'printed' ? ['sheet', 'A4'] : [])
      timed(`print on ${paper}`, () =>
        drain(
          printPages(project, {
            viewId: view.id,
            parts: view.grid ? ['table', 'set-out', 'grid', 'picture'] : ['table', 'set-out', 'picture'],
            paper,
            correction: NO_CORRECTION,
          }),
        ),
      );
  }
  for (const wall of project.spaces.flatMap((space) => space.walls).slice(0, prints === 'printed' ? 8 : 1))
    timed('elevation', () => {
      const elevation = elevationOf(project, scene, { of: 'wall', wallId: wall.id, within: 1200 });
      return elevation && elevationDrawing(project, elevation, 20);
    });
  const [slowest = ['nothing', 0] as const] = [...took].sort((a, b) => b[1] - a[1]);
  return { took, slowest };
}
