import type { Drawing } from '@/core/drawing';
import type { Id, Project, View } from '@/core/record';
import type { FrozenPlan } from '@/core/formats/frozen';
import type { Order } from '@/core/construction';
import type { ElevationOf, PlannedView, Scene } from '@/core/pipeline';
import type { Perspective } from '@/interface/session';
import type { Planned, Rastered } from '@/interface/services';

/** What lies on the desk when something is taken away from it. */
export interface Desktop {
  readonly project: Project;
  readonly view: View;
  readonly chosen: Id | null;
  /** Of what an elevation is shown; 'nothing' where one could be shown and none is, null where none has a place. */
  readonly elevation: ElevationOf | 'nothing' | null;
  /** Bodies of the project as it is. */
  readonly scene: Scene;
  readonly perspective: Perspective | null;
  /** The view's whole plan, made away from the screen's thread; null when it was given up for a newer one. */
  readonly planned: () => Promise<Planned | null>;
  readonly order: Order;
  /** The plan that was taken to the board last, and names of its strokes that are drawn. */
  readonly frozen: FrozenPlan | null;
  readonly drawn: readonly string[];
  readonly now: () => Date;
  readonly raster: ((drawing: Drawing, dotsPerInch: number) => Promise<Rastered>) | null;
}

/** A file, or why there is none. */
export type Taken =
  | {
      readonly kind: 'file';
      /** Words of the file's name, set together with dashes, and its ending. */
      readonly name: readonly string[];
      readonly ending: string;
      readonly type: string;
      readonly content: string | Uint8Array<ArrayBuffer>;
      /** Whether the file holds all of the project, so that it can be brought in again. */
      readonly holds?: 'the-project';
      /** The plan that goes to the board with it, and what of it is drawn. */
      readonly freezes?: { readonly plan: FrozenPlan; readonly drawn: readonly string[] };
    }
  | { readonly kind: 'refused'; readonly message: string };

/** Something that can be taken away: one file for each, and one line in the index. */
export interface Output {
  readonly id: string;
  /** As the list says it. */
  readonly words: string;
  /** What it is made from; it is offered where there is a place for that. */
  readonly wants: 'a-stand' | 'an-elevation' | 'nothing';
  readonly make: (desktop: Desktop) => Taken | Promise<Taken>;
}

export const refused = (message: string): Taken => ({ kind: 'refused', message });
export const NOT_EXACT = refused(
  'What is hidden is still being worked out, and the sheet would not be right. Take it away when the picture stands.',
);
/** The plan of what lies on the desk, or why there is none. */
export async function plannedFor({
  planned,
}: Pick<Desktop, 'planned'>): Promise<
  { readonly kind: 'planned'; readonly planned: PlannedView } | { readonly kind: 'refused'; readonly message: string }
> {
  const made = await planned();
  if (made === null) return { kind: 'refused', message: 'The plan was given up for a newer one. Take it away again.' };
  if (made.kind === 'planned' || made.kind === 'refused') return made;
  return { kind: 'refused', message: `The plan could not be made: ${made.kind === 'failed' ? made.detail : ''}` };
}
export const NO_STAND = refused('There is no place to stand: nothing is drawn yet.');
