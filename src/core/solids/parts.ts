/**
 * What kinds are made of. Lengths in mm in the piece's own axes: x from left to right facing its front, y from back to front, z up from
 * its underside. Nothing here knows the room.
 */
export type Range = readonly [low: number, high: number];
export type Axis = 'x' | 'y' | 'z';

/** What a part is for, where that decides how it is judged: what one takes hold of gives way to what stands beside it. */
export type PartUse = 'grip';

/** A rectangular block. */
export interface Block {
  readonly part: 'block';
  readonly name: string;
  readonly use?: PartUse;
  readonly x: Range;
  readonly y: Range;
  readonly z: Range;
}

/** A corner of an outline. `bulge` bends the side to the next corner: the arc's rise over half its chord, positive to the right of the way. */
export interface OutlinePoint {
  readonly p: number;
  readonly q: number;
  readonly bulge?: number;
}

/** An outline pushed along an axis; (p, q) are (x, y) along z, (x, z) along y, (y, z) along x. */
export interface Prism {
  readonly part: 'prism';
  readonly name: string;
  readonly along: Axis;
  readonly range: Range;
  readonly outline: readonly OutlinePoint[];
  readonly holes?: readonly (readonly OutlinePoint[])[];
}

/** What several prisms with straight sides have in common: a thing cut to its plan, its front and its side. */
export interface Cut {
  readonly part: 'cut';
  readonly name: string;
  readonly prisms: readonly Prism[];
}

/** Between a level rectangle below and one above: a splayed leg, a shade with four sides. */
export interface Taper {
  readonly part: 'taper';
  readonly name: string;
  readonly z: Range;
  readonly below: { readonly x: Range; readonly y: Range };
  readonly above: { readonly x: Range; readonly y: Range };
}

/** A corner of a turned profile: radius and height on the axis. `ball` bends the side to the next corner about that height. */
export interface ProfilePoint {
  readonly r: number;
  readonly h: number;
  readonly ball?: number;
  /** The sides meet here without a crease: no circle is drawn. */
  readonly smooth?: boolean;
}

/** A closed profile turned about an axis through `at`. */
export interface Turned {
  readonly part: 'turned';
  readonly name: string;
  readonly use?: PartUse;
  readonly at: readonly [x: number, y: number, z: number];
  readonly axis: Axis;
  readonly profile: readonly ProfilePoint[];
}

export interface Ball {
  readonly part: 'ball';
  readonly name: string;
  readonly at: readonly [x: number, y: number, z: number];
  readonly radius: number;
}

/** Parts in axes of their own, set down at a point and turned from x toward y about the upright through it. */
export interface Group {
  readonly part: 'group';
  readonly name: string;
  readonly at: readonly [x: number, y: number, z: number];
  readonly turnDeg: number;
  readonly parts: readonly Part[];
}

export type Part = Block | Prism | Cut | Taper | Turned | Ball | Group;

export const block = (name: string, x: Range, y: Range, z: Range): Block => ({ part: 'block', name, x, y, z });

/** A bend that rises less than this part of half its chord is a straight side: what is written so comes of reckoning, and has no centre one could find. */
const STRAIGHT = 1e-9;

export const prism = (
  name: string,
  along: Axis,
  range: Range,
  outline: readonly (readonly [p: number, q: number, bulge?: number])[],
  holes: readonly (readonly (readonly [p: number, q: number, bulge?: number])[])[] = [],
): Prism => {
  const points = (loop: readonly (readonly [p: number, q: number, bulge?: number])[]): OutlinePoint[] =>
    loop.map(([p, q, bulge]) => (bulge === undefined || Math.abs(bulge) < STRAIGHT ? { p, q } : { p, q, bulge }));
  return { part: 'prism', name, along, range, outline: points(outline), holes: holes.map(points) };
};

export const taper = (name: string, z: Range, below: Taper['below'], above: Taper['above']): Taper => ({
  part: 'taper',
  name,
  z,
  below,
  above,
});

export const turned = (name: string, at: Turned['at'], profile: readonly ProfilePoint[], axis: Axis = 'z'): Turned => ({
  part: 'turned',
  name,
  at,
  axis,
  profile,
});

/** An upright post, disc or drum. */
export const drum = (name: string, at: Turned['at'], radius: number, height: number, axis: Axis = 'z'): Turned =>
  turned(
    name,
    at,
    [
      { r: 0, h: 0 },
      { r: radius, h: 0 },
      { r: radius, h: height },
      { r: 0, h: height },
    ],
    axis,
  );

/** A cone frustum standing on `at`. */
export const cone = (name: string, at: Turned['at'], below: number, above: number, height: number): Turned =>
  turned(name, at, [
    { r: 0, h: 0 },
    { r: below, h: 0 },
    { r: above, h: height },
    ...(above > 0 ? [{ r: 0, h: height }] : []),
  ]);

/** A flat ring: between two radii and two heights. */
export const ring = (
  name: string,
  at: Turned['at'],
  inner: number,
  outer: number,
  height: number,
  axis: Axis = 'z',
): Turned =>
  turned(
    name,
    at,
    [
      { r: inner, h: 0 },
      { r: outer, h: 0 },
      { r: outer, h: height },
      { r: inner, h: height },
    ],
    axis,
  );

export const ball = (name: string, at: Ball['at'], radius: number): Ball => ({ part: 'ball', name, at, radius });

export const group = (name: string, at: Group['at'], turnDeg: number, parts: readonly Part[]): Group => ({
  part: 'group',
  name,
  at,
  turnDeg,
  parts,
});
