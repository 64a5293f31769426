import { Paced } from '@/interface/pace';
import { elevationOf, sceneOf, type Elevation, type ElevationOf, type Scene } from '@/core/pipeline';
import { type Change, type Id, type Project } from '@/core/record';
import type { Body } from '@/core/solids';
import { KeptPicture, putOn } from '@/interface/board';
import type { Look } from '@/interface/theme';
import { measurePlaces } from './handle-places';
import { paintElevation, paintMeasure, paintMovedPieces } from './paint';
import type { MeasureLayout, MeasurePose } from './pose';

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
  /** Of what the elevation is. */
  readonly what: ElevationOf | null;
  readonly plans: WeakMap<Body, Float64Array>;
  readonly canvas: HTMLCanvasElement | null;
  /** Where what lies still is painted; it is painted anew only where a drag makes the room another. */
  readonly stillCanvas: HTMLCanvasElement | null;
  readonly surface: SVGSVGElement | null;
}

/** Whether a drag only carries pieces about: their bodies stay as they are, and nothing but their plans moves. */
export const carriesPieces = (change: Change | null): boolean =>
  change?.kind === 'move-pieces' || change?.kind === 'turn-piece-about-middle';

interface Under {
  readonly given: MeasureMotionGiven;
  /** Bodies and elevation of the room as it is dragged; what an edit leaves alone is taken over from move to move. */
  scene: Scene;
  shown: Elevation | null;
  remade: boolean;
  /** When the elevation was last worked out, ms. */
  elevationAt: number;
  readonly handles: readonly { readonly name: string; readonly element: Element; readonly at: string | null }[];
  readonly elevation: KeptPicture;
}

/**
 * A drag in Measure at the pace of the frames: a piece's plan moves as it is; a corner, an opening, a height makes the room anew. Handles are moved
 * where they are; nothing is rendered by React.
 */
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

  frame(project: Project, change: Change | null): void {
    const under = (this.under ??= this.begin());
    if (!under) return;
    if (carriesPieces(change)) carry(under, project);
    else remake(under, project, change);
    const { chosen, pose } = under.given;
    const places = measurePlaces(project, pose, chosen[0] ?? null, under.shown);
    for (const { name, element } of under.handles) {
      const at = places[name];
      if (at) element.setAttribute('transform', putOn(at));
    }
    this.words.put(project);
  }

  end(): void {
    const { under } = this;
    if (!under) return;
    this.under = null;
    this.words.drop();
    for (const { element, at } of under.handles) if (at !== null) element.setAttribute('transform', at);
    // Given up, the room lies as it lay: what is rendered next does not paint what has not changed.
    if (under.remade) paintStill(under.given, under.given.project, under.given.scene);
    for (const heard of this.heard) heard(null);
  }

  private begin(): Under | null {
    const { given } = this;
    if (!given?.canvas) return null;
    return {
      given,
      scene: given.scene,
      shown: given.elevation,
      remade: false,
      elevationAt: -Infinity,
      handles: [...(given.surface?.querySelectorAll('[data-handle]') ?? [])].map((element) => ({
        name: element.getAttribute('data-handle') ?? '',
        element,
        at: element.getAttribute('transform'),
      })),
      elevation: new KeptPicture(),
    };
  }
}

/** Ready to be painted on in CSS pixels, empty. */
function cleared({ layout }: MeasureMotionGiven, canvas: HTMLCanvasElement | null): CanvasRenderingContext2D | null {
  const ctx = canvas?.getContext('2d') ?? null;
  const ratio = window.devicePixelRatio || 1;
  ctx?.setTransform(ratio, 0, 0, ratio, 0, 0);
  ctx?.clearRect(0, 0, layout.width, layout.height);
  return ctx;
}

/** Pieces carried about: their plans move as they are, all else lies still. */
function carry({ given, elevation }: Under, project: Project): void {
  const ctx = cleared(given, given.canvas);
  if (!ctx) return;
  paintMovedPieces(ctx, given, project);
  const { layout } = given;
  const place = { x: 0, width: layout.width, ...layout.elevation };
  elevation.lay(ctx, place, window.devicePixelRatio || 1, '', (into) => paintElevation(into, given));
}

/** The elevation of a room that is made another follows this often, ms, unless it is what one drags in. */
const ELEVATION_MS = 125;

/** The room is made another: plan and elevation are painted from its bodies as they would be. */
function remake(under: Under, project: Project, change: Change | null): void {
  const { given } = under;
  const ratio = window.devicePixelRatio || 1;
  under.scene = sceneOf(project, under.scene);
  under.remade = true;
  const now = performance.now();
  if (given.what && (changesHeight(change) || now - under.elevationAt >= ELEVATION_MS)) {
    under.shown = elevationOf(project, under.scene, given.what);
    under.elevationAt = now;
  }
  paintStill(given, project, under.scene);
  const ctx = given.canvas?.getContext('2d');
  const { scene, shown: elevation } = under;
  if (ctx) paintMeasure(ctx, { ...given, project, scene, elevation, sheet: 'chosen' }, ratio);
}

function paintStill(given: MeasureMotionGiven, project: Project, scene: Scene): void {
  const ctx = given.stillCanvas?.getContext('2d');
  if (ctx)
    paintMeasure(ctx, { ...given, project, scene, elevation: null, sheet: 'still' }, window.devicePixelRatio || 1);
}

/** Whether a drag is one of heights, or along a wall: seen in the elevation as it goes. */
const changesHeight = (change: Change | null): boolean =>
  change !== null && (change.kind === 'move-size' || change.kind === 'move-opening' || change.kind === 'several');
