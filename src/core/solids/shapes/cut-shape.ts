import { directionIn, pointIn, type Axes } from '../axes';
import { carve } from '../carve';
import type { Cut } from '../parts';
import { plain, type Shaping } from './shape';

/** What several prisms have in common, with its corners, faces and edges numbered in the order they are found: the same outlines give the same names. */
export function cutShape({ prisms }: Cut, axes: Axes, { builder, belonging, part, named }: Shaping): void {
  const { corners, faces, edges } = carve(prisms);
  const corner = (i: number) => named(plain(`corner-${i + 1}`));
  const face = (i: number) => named(plain(`face-${i + 1}`));
  corners.forEach(({ x, y, z }, i) => builder.vertex(corner(i), pointIn(axes, x, y, z)));
  faces.forEach(({ normal, loops }, i) =>
    builder.face({
      ...face(i),
      part,
      loops: loops.map((loop) => loop.map((one) => corner(one).id)),
      normalToward: directionIn(axes, normal.x, normal.y, normal.z),
      ...belonging,
    }),
  );
  edges.forEach(({ from, to, faces: meeting }, i) =>
    builder.edge(
      named(plain(`edge-${i + 1}`)),
      corner(from).id,
      corner(to).id,
      meeting.map((one) => face(one).id),
    ),
  );
}
