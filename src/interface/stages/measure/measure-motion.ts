import { Paced } from '@/interface/pace';
import { type ScreenPoint } from '@/core/space';
import type { Elevation, Scene } from '@/core/pipeline';
import { footprintOf, mmOf, type Change, type Footprint, type Id, type Piece, type Project } from '@/core/record';
import type { Body } from '@/core/solids';
import type { Vector2 } from '@/core/geometry';
import { KeptPicture, putOn } from '@/interface/board';
import type { Look } from '@/interface/theme';
import { paintElevation, paintMovedPieces } from './paint';
import { planToScreen, type MeasureLayout, type MeasurePose } from './pose';

/** What the paper of Measure lies like when a drag begins. */
export interface MeasureMotionGiven {
  readonly project: Project;
  readonly scene: Scene;
  readonly layout: MeasureLayout;
  readonly pose: MeasurePose;
  readonly look: Look;
  readonly levelId: Id;
  readonly chosen: readonly Id[];
  readonly elevation: Elevation | null;
  readonly plans: WeakMap<Body, Float64Array>;
  readonly canvas: HTMLCanvasElement | null;
  readonly surface: SVGSVGElement | null;
}

/** Whether a drag only carries pieces about: their bodies stay as they are, and nothing but their plans moves. */
export const carriesPieces = (change: Change | null): boolean =>
  change?.kind === 'move-pieces' || change?.kind === 'turn-piece-about-middle';

/** Where the handles of a piece lie in plan: on its middle, and before its front. */
export function pieceHandlePlaces(
  pose: MeasurePose,
  piece: Piece,
  { corners, depthDirection }: Footprint,
): { readonly piece: ScreenPoint; readonly 'piece-turn': ScreenPoint } {
  const middle = middleOf(corners);
  const out = mmOf(piece.depth) / 2 + 52 / pose.scale;
  return {
    piece: planToScreen(pose, middle),
    'piece-turn': planToScreen(pose, { x: middle.x + depthDirection.x * out, y: middle.y + depthDirection.y * out }),
  };
}

export const middleOf = (corners: Footprint['corners']): Vector2 => ({
  x: (corners['back-left'].x + corners['front-right'].x) / 2,
  y: (corners['back-left'].y + corners['front-right'].y) / 2,
});

interface Under {
  readonly given: MeasureMotionGiven;
  readonly handles: readonly { readonly name: string; readonly element: Element; readonly at: string | null }[];
  readonly elevation: KeptPicture;
}

/** A piece carried about in Measure at the pace of the frames: its plan moves as it is, handles where they are; nothing is rendered by React. */
export class MeasureMotion {
  private given: MeasureMotionGiven | null = null;
  private readonly heard = new Set<(moved: Project | null) => void>();
  private under: Under | null = null;
  private readonly words = new Paced<Project>((now) => {
    for (const heard of this.heard) heard(now);
  });

  get active(): boolean {
    return this.under !== null;
  }

  lies(given: MeasureMotionGiven): void {
    if (!this.under) this.given = given;
  }

  /** Told the project as it would be eight times a second, and null when the drag is over. @returns ends it. */
  hearWords(heard: (moved: Project | null) => void): () => void {
    this.heard.add(heard);
    return () => void this.heard.delete(heard);
  }

  frame(project: Project): void {
    const under = (this.under ??= this.begin());
    if (!under) return;
    const { given } = under;
    const ctx = given.canvas?.getContext('2d');
    if (!ctx) return;
    const ratio = window.devicePixelRatio || 1;
    const { layout } = given;
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    ctx.clearRect(0, 0, layout.width, layout.height);
    paintMovedPieces(ctx, given, project);
    under.elevation.lay(ctx, { x: 0, width: layout.width, ...layout.elevation }, ratio, '', (into) =>
      paintElevation(into, given),
    );
    const [first] = given.chosen;
    const piece = project.pieces.find((one) => one.id === first);
    const footprint = piece && footprintOf(project, piece);
    if (piece && footprint?.ok) {
      const places: Readonly<Record<string, Vector2 | undefined>> = pieceHandlePlaces(
        given.pose,
        piece,
        footprint.value,
      );
      for (const { name, element } of under.handles) {
        const at = places[name];
        if (at) element.setAttribute('transform', putOn(at));
      }
    }
    this.words.put(project);
  }

  end(): void {
    const { under } = this;
    if (!under) return;
    this.under = null;
    this.words.drop();
    for (const { element, at } of under.handles) if (at !== null) element.setAttribute('transform', at);
    for (const heard of this.heard) heard(null);
  }

  private begin(): Under | null {
    const { given } = this;
    if (!given?.canvas) return null;
    return {
      given,
      handles: [...(given.surface?.querySelectorAll('[data-handle]') ?? [])].map((element) => ({
        name: element.getAttribute('data-handle') ?? '',
        element,
        at: element.getAttribute('transform'),
      })),
      elevation: new KeptPicture(),
    };
  }
}
