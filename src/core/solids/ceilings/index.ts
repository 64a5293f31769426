import { barrel } from './barrel';
import type { CeilingKind } from './ceiling-kind';
import { flat } from './flat';
import { gabled } from './gabled';
import { sloped } from './sloped';
import { stepped } from './stepped';

/** Every shape of ceiling, in the order they are offered. */
export const CEILINGS: readonly CeilingKind[] = [flat, stepped, sloped, gabled, barrel];

export const ceilingKindOf = (id: string): CeilingKind | undefined => CEILINGS.find((one) => one.id === id);

export {
  ceilingRoom,
  type CeilingKind,
  type CeilingRegion,
  type CeilingRoom,
  type CeilingShape,
  type Slope,
  type Vault,
} from './ceiling-kind';
export { flat as FLAT } from './flat';
