import type { GridChoice } from '@/core/record';
import type { UnitSystem } from '@/core/units';

/** The grid one begins with: half metres, or feet, on floor, walls and ceiling. */
export const usualGrid = (units: UnitSystem): GridChoice => ({
  unit: units === 'imperial' ? { mm: 304.8, asTyped: "1'" } : { mm: 500, asTyped: '500' },
  floor: true,
  walls: true,
  ceiling: true,
  from: null,
  on: null,
});
