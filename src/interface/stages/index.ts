import type { Stage } from '@/interface/frame';
import { draw } from './draw';
import { measure } from './measure';
import { setOut } from './set-out';
import { stand } from './stand';

/** All stages, in the order of the work. */
export const STAGES: readonly Stage[] = [measure, stand, setOut, draw];

/** Where one begins, and where an address leads that names no stage. */
export const FIRST_STAGE = stand;
