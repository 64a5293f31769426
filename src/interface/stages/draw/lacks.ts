import type { Lack } from '@/interface/frame';
import type { Session } from '@/interface/session';

/** A piece to draw, and a place it can be drawn from. */
export function lacksToDraw({ chosen, perspective }: Pick<Session, 'chosen' | 'perspective'>): Lack | null {
  if (chosen === null)
    return {
      says: 'There is no piece to draw yet. The room has only its walls.',
      way: 'Put something in',
      stage: 'measure',
    };
  return perspective.ok ? null : standElsewhere('This view cannot be drawn from where you stand.');
}

export const standElsewhere = (says: string): Lack => ({ says, way: 'Stand elsewhere', stage: 'stand' });
