import type { Id } from '@/core/record';
import { Assembly } from './assemble';
import type { Axes } from './axes';
import type { Body } from './body';
import { BodyBuilder } from './body-builder';
import type { Part } from './parts';

/** A piece's body made of parts alone, with no kind and no record behind it: for trying what is built of them. */
export function partsBody(id: Id, parts: readonly Part[], axes: Axes): Body {
  const builder = new BodyBuilder();
  new Assembly(builder, id, { seen: 'both-sides', belongsTo: [] }).add(parts, axes);
  return builder.build(id, 'piece', id);
}
