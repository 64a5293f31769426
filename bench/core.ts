/** Medians of the core's speed, each beside a plain way of doing the same in the same run: the machine is shared, so ratios say more than times. */
import { sceneOf, sheetOf, type Scene } from '@/core/pipeline';
import { seededRandom } from '@/core/base';
import type { Project } from '@/core/record';
import { worldPoint } from '@/core/space';
import { projectSegment, projectSegments, setUpFrom, standOf } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
const print = (ms: number): string => `${ms.toFixed(2)} ms`;

function timed(runs: number, work: () => void): number {
  for (let i = 0; i < 5; i += 1) work();
  return median(
    Array.from({ length: runs }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}

function projection(): void {
  const count = 20_000;
  const random = seededRandom(1);
  const world = Float64Array.from({ length: count * 6 }, () => (random() - 0.5) * 12_000);
  const setUp = setUpFrom({
    station: { x: 0, y: -6000 },
    eyeHeight: 1600,
    floor: 0,
    bearingDeg: 20,
    pictureDistance: 4000,
    scaleDenominator: 20,
  });
  const frame = { left: -200, right: 200, bottom: -140, top: 140 };
  const picture = new Float64Array(count * 4);
  const index = new Int32Array(count);
  let rows = 0;
  const bulk = timed(41, () => {
    rows = projectSegments(setUp, world, frame, picture, index);
  });
  const ends = Array.from({ length: count }, (_, i) =>
    [0, 3].map((o) => worldPoint(world[i * 6 + o] ?? 0, world[i * 6 + o + 1] ?? 0, world[i * 6 + o + 2] ?? 0)),
  );
  let kept = 0;
  const single = timed(11, () => {
    kept = 0;
    for (const [a, b] of ends) if (a && b && projectSegment(setUp, a, b, frame)) kept += 1;
  });
  if (kept !== rows) throw new Error(`the two ways differ: ${rows} and ${kept}`);
  console.log(
    `projecting 20,000 segments: ${print(bulk)} in bulk (aim below 8 ms; ${rows} in the frame), ${print(single)} one by one, ratio ${(single / bulk).toFixed(1)}`,
  );
}

function demo(project: Project): void {
  const view = project.views[0];
  if (!view) return;
  let scene: Scene = sceneOf(project);
  const bodies = timed(21, () => {
    scene = sceneOf(project);
  });
  const stand = standOf(project, view);
  if (!stand.ok) return;
  const method = () => drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  const visible = timed(41, () => void method());
  const lines = method();
  const pieceId = project.plans[0]?.pieceId ?? '';
  const whole = timed(41, () => {
    const here = standOf(project, view);
    if (!here.ok) return;
    const seen = method();
    sheetOf(project, view, scene, here.value, seen, pieceId);
  });
  console.log(
    `${project.id}: ${scene.prepared.edges.length} edges, ${scene.prepared.faces.length} faces, ${lines.edge.length} rows: bodies ${print(bodies)}, visible lines ${print(visible)}, all of a station move ${print(whole)}`,
  );
}

export function benchCore(demos: readonly Project[]): void {
  projection();
  demos.forEach(demo);
}
