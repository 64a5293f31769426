import { randomRoom as fitted } from '@/core/exercise';
import type { Project } from '@/core/record';
import { smallRoom } from './small-room';

/** The small room with everything in it that the record knows. */
export const randomRoom = (seed: number): Project => fitted(smallRoom(), seed);
