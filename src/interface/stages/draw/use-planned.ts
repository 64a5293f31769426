'use client';
import { useEffect, useState } from 'react';
import { USUAL_WAY, type Project, type View } from '@/core/record';
import type { PlannedView } from '@/core/pipeline';
import { useServices } from '@/interface/services';
import { keptState, useKept, useSession } from '@/interface/session';

/** What a plan follows from: its room by its lists, which keep their identity while they are left alone, its view and its ruler. */
type PlannedFrom = readonly unknown[];
const plannedFrom = (project: Project, view: View): PlannedFrom => {
  const { levels, spaces, openings, pieces, surfaces, units, fractions, rulerStepMm, plans } = project;
  const plan = plans.find((one) => one.viewId === view.id);
  const { school, begin } = plan ?? USUAL_WAY;
  const own = plan && plan.pieces.length > 0 ? plan.pieces : null;
  return [levels, spaces, openings, pieces, surfaces, units, fractions.ruler, rulerStepMm, view, school, begin, own];
};
const same = (a: PlannedFrom, b: PlannedFrom): boolean => a.every((one, i) => one === b[i]);

/** How far the plan of the view at hand is. */
export type Planning =
  | { readonly kind: 'planning'; readonly done: number }
  | { readonly kind: 'planned'; readonly planned: PlannedView }
  | { readonly kind: 'none'; readonly message: string };

/** The last plan that was made: it outlasts a change of stage. */
const LAST = keptState<{ readonly from: PlannedFrom; readonly found: Planning } | null>(null);

/** The whole plan of the view at hand, made in a worker; until it is there, how much of it is done. */
export function usePlanned(): Planning {
  const { settled, view, kept } = useSession();
  const { plan: service } = useServices();
  const [last, setLast] = useKept(kept, LAST);
  const [done, setDone] = useState(0);
  const [tries, setTries] = useState(0);
  const from = plannedFrom(settled, view);
  const known = last && same(last.from, from) ? last.found : null;
  const wanted = known === null;
  useEffect(() => {
    if (!wanted || !service) return undefined;
    let left = false;
    const asked = plannedFrom(settled, view);
    const found = (planning: Planning): void => setLast({ from: asked, found: planning });
    void service
      .plan({ project: settled, viewId: view.id, ways: {}, asks: 'plans' }, (part) => left || setDone(part))
      .then((reply) => {
        if (left) return;
        setDone(0);
        // Given up for another: asked again.
        if (reply === null) setTries((now) => now + 1);
        else if (reply.kind === 'planned') found({ kind: 'planned', planned: reply.planned });
        else if (reply.kind === 'refused') found({ kind: 'none', message: reply.message });
        else {
          const why = reply.kind === 'failed' ? reply.detail : '';
          found({
            kind: 'none',
            message: `The plan could not be made: ${why} Undo the last change, or stand elsewhere.`,
          });
        }
      });
    return () => {
      left = true;
    };
  }, [wanted, service, settled, view, tries, setLast]);
  if (!service) return { kind: 'none', message: 'Plans need the browser’s own workers, which are not there.' };
  return known ?? { kind: 'planning', done };
}
