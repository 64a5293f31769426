'use client';
import type { Id } from '@/core/record';
import { worldPoint } from '@/core/space';
import { eyeFromWorld, projectPoint } from '@/core/view';
import { silhouetteLines, spaceConicPoint } from '@/core/visibility';
import { pictureScreen, planScreen, sideScreen, type Pose } from './pose';
import type { Perspective } from '@/interface/session';

/** One line in all three views, as one points at it or walks along them by key. */
export function LitEdge({
  edge: id,
  perspective,
  pose,
  linked,
  colour,
}: {
  readonly edge: Id;
  readonly perspective: Perspective;
  readonly pose: Pose;
  readonly linked: boolean;
  readonly colour: string;
}) {
  const {
    scene,
    stand: { setUp },
  } = perspective;
  const eye = worldPoint(setUp.station.x, setUp.station.y, setUp.eyeZ);
  const silhouettes = silhouetteLines(scene.prepared, eye);
  const edge = [...scene.prepared.edges, ...silhouettes.edges].find((one) => one.id === id);
  if (!edge) {
    const curves = [...scene.prepared.curves, ...silhouettes.curves].filter((one) => one.id === id);
    return (
      <g pointerEvents="none" data-testid="lit-edge" data-edge={id}>
        {curves.map(({ conic, from, to }, i) => {
          const points = Array.from({ length: 65 }, (_, k) => spaceConicPoint(conic, from + ((to - from) * k) / 64));
          const eyes = points.map((p) => eyeFromWorld(setUp, p));
          const path = (places: readonly ({ x: number; y: number } | null)[]): string =>
            places.map((p, k) => (p ? `${k === 0 || !places[k - 1] ? 'M' : 'L'}${p.x},${p.y}` : '')).join('');
          const drawn = (name: 'plan' | 'side' | 'picture', d: string) => (
            <g key={`${i}/${name}`} clipPath={`url(#clip-${name})`}>
              <path d={d} fill="none" stroke={colour} strokeWidth={4} strokeLinecap="round" opacity={0.75} />
            </g>
          );
          return [
            ...(linked
              ? [
                  drawn('plan', path(eyes.map((p) => planScreen(pose, setUp, p.lateral, p.depth)))),
                  drawn('side', path(eyes.map((p) => sideScreen(pose, setUp, p.depth, p.rise)))),
                ]
              : []),
            drawn(
              'picture',
              path(
                points.map((p) => {
                  const at = projectPoint(setUp, p);
                  return at ? pictureScreen(pose, at) : null;
                }),
              ),
            ),
          ];
        })}
      </g>
    );
  }
  const [a, b] = [eyeFromWorld(setUp, edge.from), eyeFromWorld(setUp, edge.to)];
  const [p, q] = [projectPoint(setUp, edge.from), projectPoint(setUp, edge.to)];
  const line = (name: 'plan' | 'side' | 'picture', from: { x: number; y: number }, to: { x: number; y: number }) => (
    <g key={name} clipPath={`url(#clip-${name})`}>
      <line
        x1={from.x}
        y1={from.y}
        x2={to.x}
        y2={to.y}
        stroke={colour}
        strokeWidth={4}
        strokeLinecap="round"
        opacity={0.75}
      />
    </g>
  );
  return (
    <g pointerEvents="none" data-testid="lit-edge" data-edge={id}>
      {linked
        ? [
            line('plan', planScreen(pose, setUp, a.lateral, a.depth), planScreen(pose, setUp, b.lateral, b.depth)),
            line('side', sideScreen(pose, setUp, a.depth, a.rise), sideScreen(pose, setUp, b.depth, b.rise)),
          ]
        : null}
      {p && q ? line('picture', pictureScreen(pose, p), pictureScreen(pose, q)) : null}
    </g>
  );
}
