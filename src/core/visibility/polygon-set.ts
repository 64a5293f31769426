import type { Vector3 } from '@/core/geometry';
import type { FaceShape } from './face-shape';
import type { SpaceConic } from './space-conic';

/**
 * Polygons as plain arrays: what the engine works on. World mm. Polygon f has the loops from `faceLoop[f]` up to `faceLoop[f + 1]`, the first
 * its outline and the rest holes; loop l has the corners from `loopCorner[l]` up to `loopCorner[l + 1]`.
 */
export interface PolygonSet {
  readonly faceCount: number;
  readonly faceLoop: Int32Array;
  readonly loopCorner: Int32Array;
  /** x, y, z of every corner. */
  readonly corners: Float64Array;
  /** Unit normal and offset (normal · P) of each face: nx, ny, nz, offset. */
  readonly planes: Float64Array;
  /** The surface a polygon is part of: itself, or of a round face's flat stand-ins their round face. Edges lie between surfaces. */
  readonly surface: Int32Array;
  readonly surfaceCount: number;
  /** The closed solid a face is part of, or −1: what the back of one hides, its front hides too. */
  readonly solid: Int32Array;
  /** Bounds of each closed solid: x0, x1, y0, y1, z0, z1. */
  readonly solidBounds: Float64Array;
  /** What curves, if anything does: of such a face the corners only enclose it, and what it hides is told by its shape. */
  readonly curved?: {
    /** For each face its shape, or −1 for a polygon. */
    readonly shape: Int32Array;
    readonly shapes: readonly FaceShape[];
    /**
     * After each corner the meeting of the tangents when the next side is a chord of an arc: chord and tangents enclose it. Not a number
     * elsewhere.
     */
    readonly bulge: Float64Array;
  };
}

/** Straight edges as plain arrays. */
export interface EdgeSet {
  readonly count: number;
  /** x, y, z of each edge's first end, then of its second. */
  readonly ends: Float64Array;
  /** Surfaces each edge lies between, from `surfaceStart[e]` up to `surfaceStart[e + 1]`. */
  readonly surfaceStart: Int32Array;
  readonly surfaces: Int32Array;
}

/** Conics in space, with what they lie between. */
export interface CurveSet {
  readonly conics: readonly SpaceConic[];
  /** From and to of each, radians. */
  readonly range: Float64Array;
  readonly surfaces: readonly Int32Array[];
}

/** An eye and the directions of its picture: unit vectors square to each other, `forward` away from the eye. */
export interface Sight {
  readonly eye: Vector3;
  readonly right: Vector3;
  readonly up: Vector3;
  readonly forward: Vector3;
  /** u = k·lateral/depth, v = k·rise/depth, mm. */
  readonly viewingDistance: number;
  readonly frame: { readonly left: number; readonly right: number; readonly bottom: number; readonly top: number };
  /** Nothing nearer than this in depth is drawn or hides, mm. */
  readonly near: number;
}

/** Parts of edges, in the edges' order: along each, seen and hidden parts follow one another without a gap. */
export interface EdgeParts {
  readonly count: number;
  readonly edge: Int32Array;
  /** From and to along the edge in the world, 0 at its first end. */
  readonly along: Float64Array;
  /** u0, v0, u1, v1, picture mm. */
  readonly picture: Float64Array;
  /** −1 where it is seen, else a face that hides it. */
  readonly hiddenBy: Int32Array;
}

/** Parts of curves, in the curves' order, one after another without a gap. */
export interface CurveParts {
  readonly count: number;
  readonly curve: Int32Array;
  /** From and to in the curve's own angle. */
  readonly range: Float64Array;
  readonly hiddenBy: Int32Array;
}
