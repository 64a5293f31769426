import type { Id } from '@/core/record';
import type { BodyBuilder } from '../body-builder';
import type { Face } from '../body';
import type { Named } from '../role';

/** What all faces made here have in common. */
export interface Belonging {
  readonly seen: Face['seen'];
  readonly belongsTo: readonly Id[];
}

/** A name within a part: as it is written, as it is spoken, and whether it lies at the top or the bottom. */
export interface Which {
  readonly name: string;
  readonly which: string;
  readonly level: 'top' | 'bottom' | null;
}

/** All a part needs to be built: where it goes, how its corners, edges and faces are named, and what they belong to. */
export interface Shaping {
  readonly builder: BodyBuilder;
  readonly belonging: Belonging;
  /** The part's own name: its faces are one part. */
  readonly part: Id;
  readonly named: (which: Which) => Named;
}

/** A name that is written as it is spoken but for its hyphens, and lies at no level. */
export const plain = (name: string): Which => ({ name, which: name.replaceAll('-', ' '), level: null });
