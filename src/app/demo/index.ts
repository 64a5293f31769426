import { invariant } from '@/core/base';
import { readProjectValue } from '@/core/formats/project';
import type { Project } from '@/core/record';
import seedShop from './seed-shop.json';
import teaRoom from './tea-room.json';
import weavingLoft from './weaving-loft.json';

function demo(value: unknown): Project {
  const read = readProjectValue(value);
  invariant(read.ok, read.ok ? '' : `demonstration: ${read.error.message}`);
  return read.value;
}

/** The demonstration rooms, in the order of the chest. */
export const DEMOS: readonly Project[] = [weavingLoft, teaRoom, seedShop].map(demo);
