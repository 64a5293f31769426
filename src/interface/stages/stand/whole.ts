import {
  fitPlanPose,
  fitPose,
  fitSidePose,
  linkedLayout,
  WHOLE,
  type Arrangement,
  type ViewName,
} from '@/interface/board';
import { keptState } from '@/interface/session';

/** The view that has the whole paper; null while they share it. */
export const WHOLE_VIEW = keptState<ViewName | null>(null);

/** A view of the linked board that can take the whole paper: how it is called, its key, and how the paper is shared out and fitted then. */
interface Takes extends Pick<Arrangement, 'layout' | 'fits'> {
  readonly name: string;
  readonly key: string;
}

export const TAKES: Readonly<Record<ViewName, Takes>> = {
  plan: {
    ...{ name: 'plan', key: '2', layout: WHOLE.plan },
    fits: [({ layout, view, setUp, scene }) => fitPlanPose(layout, view, setUp, scene.bodies)],
  },
  side: {
    ...{ name: 'side view', key: '3', layout: WHOLE.side },
    fits: [({ layout, view, setUp, scene }) => fitSidePose(layout, view, setUp, scene.bodies)],
  },
  picture: {
    ...{ name: 'picture', key: '4', layout: WHOLE.picture },
    fits: [({ layout, view, setUp, scene }) => fitPose(layout, view, setUp, scene.bodies)],
  },
};

export const VIEWS: readonly ViewName[] = ['plan', 'side', 'picture'];

/** All three on the paper. */
export const SHARED: Pick<Arrangement, 'layout' | 'fits'> = {
  layout: linkedLayout,
  fits: TAKES.picture.fits,
};
