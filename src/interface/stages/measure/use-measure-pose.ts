import { useState } from 'react';
import type { MeasurePose } from './pose';

/**
 * Where plan and elevation lie on the screen. The paper turns when another thing is chosen (another key), never under a drag: the magnification of
 * what is chosen stays as it is.
 */
export function useMeasurePose(
  key: string,
  fitted: () => MeasurePose,
): readonly [MeasurePose, (next: MeasurePose) => void] {
  const [posed, setPosed] = useState<{ readonly key: string; readonly pose: MeasurePose }>(() => ({
    key,
    pose: fitted(),
  }));
  const pose = posed.key === key ? posed.pose : fitted();
  if (posed.key !== key) setPosed({ key, pose });
  return [pose, (next) => setPosed({ key, pose: next })];
}
