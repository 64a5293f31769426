import type { PreparedEdge, PreparedFace } from './scene';

/** Name, role and belonging of the line in which two faces run through each other: it is drawn with the first one's body. */
export const crossingName = (
  one: PreparedFace,
  other: PreparedFace,
): Pick<PreparedEdge, 'id' | 'role' | 'body' | 'faces'> => ({
  id: `${one.face.id}×${other.face.id}`,
  role: { line: 'crossing', faces: [one.face.id, other.face.id], bodies: [one.body, other.body] },
  body: one.body,
  faces: [one.face.id, other.face.id],
});
