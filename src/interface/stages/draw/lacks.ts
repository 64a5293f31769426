import type { Lack } from '@/interface/frame';
import type { WorkedOut } from '@/interface/session';

/** A place the room can be drawn from. */
export const lacksToDraw = ({ perspective }: Pick<WorkedOut, 'perspective'>): Lack | null =>
  perspective.ok ? null : standElsewhere('This view cannot be drawn from where you stand.');

export const standElsewhere = (says: string): Lack => ({ says, way: 'Stand elsewhere', stage: 'stand' });
