'use client';
import type { Id } from '@/core/record';
import { eyeFromWorld, projectPoint } from '@/core/view';
import { pictureScreen, planScreen, sideScreen, type Pose } from './pose';
import type { Perspective } from './use-perspective';

/** One edge in all three views, as one walks along them by key. */
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
    stand: { set },
  } = perspective;
  const edge = scene.prepared.edges.find((one) => one.id === id);
  if (!edge) return null;
  const [a, b] = [eyeFromWorld(set, edge.from), eyeFromWorld(set, edge.to)];
  const [p, q] = [projectPoint(set, edge.from), projectPoint(set, edge.to)];
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
            line('plan', planScreen(pose, set, a.lateral, a.depth), planScreen(pose, set, b.lateral, b.depth)),
            line('side', sideScreen(pose, set, a.depth, a.rise), sideScreen(pose, set, b.depth, b.rise)),
          ]
        : null}
      {p && q ? line('picture', pictureScreen(pose, p), pictureScreen(pose, q)) : null}
    </g>
  );
}
