import type { Id, Space, WallRun } from '@/core/record';
import type { MouldingKind, Named, OpeningLayer, WallPlace } from '../role';
import { spoken } from '../role';

/** Names and roles of what a room is built of: the one place that knows both. */
export const roomCorner = (cornerId: Id, at: 'floor' | 'ceiling'): Named => ({
  id: `${cornerId}/${at}`,
  role: { is: 'room-corner', cornerId, at },
});
export const cornerUpright = (cornerId: Id, part: 'whole' | 'upper'): Named => ({
  id: `${cornerId}/${part === 'whole' ? 'vertical' : 'vertical-upper'}`,
  role: { is: 'corner-upright', cornerId, part },
});
export const floorOf = (space: Space): Named => ({
  id: `${space.id}/floor`,
  role: { is: 'floor', spaceId: space.id },
});
/** A part of the ceiling, the first one bearing the ceiling's own name; `own` names a corner of it. */
export function ceilingOf(space: Space, region: number, own = ''): Named {
  const id = region === 0 ? `${space.id}/ceiling` : `${space.id}/ceiling-${region + 1}`;
  return {
    id: own === '' ? id : `${id}/${own}`,
    role: { is: 'ceiling', spaceId: space.id, region, which: spoken(own) },
  };
}
export const ceilingJoint = (
  space: Space,
  joint: number,
  place: 'crease' | 'upright' | 'edge' | 'corner',
  own: string,
): Named => ({
  id: `${space.id}/ceiling-joint-${joint}/${own}`,
  role: { is: 'ceiling-joint', spaceId: space.id, joint, place, which: spoken(own) },
});
/** A wall's face bears the wall's own id; its lines a name of their own. */
export const wallFace = ({ wall }: WallRun): Named => ({
  id: wall.id,
  role: { is: 'wall', wallId: wall.id, place: 'face', which: '' },
});
export const wallLine = ({ wall }: WallRun, place: Exclude<WallPlace, 'face'>, own: string): Named => ({
  id: `${wall.id}/${own}`,
  role: { is: 'wall', wallId: wall.id, place, which: spoken(own) },
});
export const mouldingOf = (run: WallRun, moulding: MouldingKind, stretch: number, own: string): Named => ({
  id: `${run.wall.id}/${moulding}-${stretch}/${own}`,
  role: { is: 'moulding', wallId: run.wall.id, moulding, stretch, which: spoken(own) },
});
export const openingLine = (openingId: Id, layer: OpeningLayer, own: string): Named => ({
  id: `${openingId}/${layer}/${own}`,
  role: { is: 'opening', openingId, layer, which: spoken(own) },
});
/** A face of the opening's own: a side of its reveal, or what closes its back. */
export const openingFace = (openingId: Id, layer: 'reveal' | 'leaf', side = ''): Named => ({
  id: layer === 'leaf' ? `${openingId}/leaf` : `${openingId}/reveal-${side}`,
  role: { is: 'opening', openingId, layer, which: side },
});
