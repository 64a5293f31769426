import type { Id } from '@/core/record';

/** One of the walls' own lines: its foot on the floor, its upper edge, its face. */
export type WallPlace = 'face' | 'foot' | 'top';
/** How deep in an opening: at the wall's face, at the back of the reveal, on the far wall; the reveal between; the leaf that closes it. */
export type OpeningLayer = 'face' | 'back' | 'far' | 'reveal' | 'leaf';
export type MouldingKind = 'skirting' | 'cornice';

/**
 * What a corner, an edge or a face of a body is: the data behind its permanent name. Names are for people and for files; whoever wants to
 * know what a thing is asks its role. `which` is written as it is spoken.
 */
export type Role =
  /** A corner of a room, on its floor or under its ceiling. */
  | { readonly is: 'room-corner'; readonly cornerId: Id; readonly at: 'floor' | 'ceiling' }
  /** The upright where two walls meet; where the ceiling steps in the corner, its upper part. */
  | { readonly is: 'corner-upright'; readonly cornerId: Id; readonly part: 'whole' | 'upper' }
  | { readonly is: 'wall'; readonly wallId: Id; readonly place: WallPlace; readonly which: string }
  | {
      readonly is: 'moulding';
      readonly wallId: Id;
      readonly moulding: MouldingKind;
      readonly stretch: number;
      readonly which: string;
    }
  | { readonly is: 'floor'; readonly spaceId: Id }
  | { readonly is: 'ceiling'; readonly spaceId: Id; readonly region: number; readonly which: string }
  /** Where two parts of a ceiling meet: a crease, or the upright of a step with its two edges. */
  | {
      readonly is: 'ceiling-joint';
      readonly spaceId: Id;
      readonly joint: number;
      readonly place: 'crease' | 'upright' | 'edge' | 'corner';
      readonly which: string;
    }
  | { readonly is: 'opening'; readonly openingId: Id; readonly layer: OpeningLayer; readonly which: string }
  /** A part of a piece or of an opening's fittings; `level` where it has a top and a bottom. */
  | {
      readonly is: 'part';
      readonly ownerId: Id;
      readonly part: string;
      readonly which: string;
      readonly level: 'top' | 'bottom' | null;
    }
  /** A piece that is its own crate: a plain box. */
  | { readonly is: 'crate'; readonly ownerId: Id; readonly which: string; readonly level: 'top' | 'bottom' | null }
  | { readonly is: 'pattern'; readonly surfaceId: Id; readonly which: string }
  | { readonly is: 'grid'; readonly face: Id; readonly which: string };

/** The thing of the record that a role belongs to, as it is ringed: an opening or a wall rather than the room they are drawn with. */
export function ownerOf(role: Role): Id {
  switch (role.is) {
    case 'room-corner':
    case 'corner-upright':
      return role.cornerId;
    case 'wall':
    case 'moulding':
      return role.wallId;
    case 'floor':
    case 'ceiling':
    case 'ceiling-joint':
      return role.spaceId;
    case 'opening':
      return role.openingId;
    case 'part':
    case 'crate':
      return role.ownerId;
    case 'pattern':
      return role.surfaceId;
    case 'grid':
      return role.face;
  }
}

/** A part's name in the catalogue as it is spoken: `seat-cushion` is a seat cushion. */
export const spoken = (name: string): string => name.split('-').join(' ');

/** A name with its role: what a builder is given for each corner, edge and face. */
export interface Named {
  readonly id: Id;
  readonly role: Role;
}
