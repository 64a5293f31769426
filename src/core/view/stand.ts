import { ok, type Result } from '@/core/base';
import type { MeasuredRoom, View } from '@/core/record';
import { resolveSetUp, type SetUpError } from './resolve';
import { setOutOf, type SetOut } from './set-out-marks';
import type { SetUp } from './set-up';

/** A view with what is computed from it alone. Made once per change of the view. */
export interface Stand {
  readonly setUp: SetUp;
  readonly setOut: SetOut;
}

export function standOf(project: MeasuredRoom, view: View): Result<Stand, SetUpError> {
  const setUp = resolveSetUp(project, view);
  return setUp.ok ? ok({ setUp: setUp.value, setOut: setOutOf(project, view, setUp.value) }) : setUp;
}
