import type { Project, View } from '@/core/record';
import type { ScreenPoint } from '@/core/space';
import { degreesFromRadians } from '@/core/units';
import type { SetOut, SetUp } from '@/core/view';
import type { BoardLayout } from './layout';
import type { Pose } from './pose';

/** Everything a handle's place depends on. */
export interface Placing {
  readonly project: Project;
  readonly view: View;
  readonly setUp: SetUp;
  readonly setOut: SetOut;
  readonly pose: Pose;
  readonly layout: BoardLayout;
}

/** Transforms of what the board moves, by name. */
export type Transforms = Readonly<Record<string, string | undefined>>;

/** Puts a thing of the SVG on a place. */
export const putOn = ({ x, y }: { readonly x: number; readonly y: number }): string => `translate(${x} ${y})`;

/** Puts a line one pixel long, from zero to the right, between two places. */
export function putBetween(from: ScreenPoint, to: ScreenPoint): string {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const turn = degreesFromRadians(Math.atan2(dy, dx));
  return `${putOn(from)} rotate(${turn}) scale(${Math.hypot(dx, dy)} 1)`;
}

/** Places to transforms. */
export const allOn = (places: Readonly<Record<string, ScreenPoint>>): Transforms =>
  Object.fromEntries(Object.entries(places).map(([name, at]) => [name, putOn(at)]));
