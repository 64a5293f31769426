import type { Vector2, Vector3 } from '@/core/geometry';

export const DOWN: Vector3 = { x: 0, y: 0, z: -1 };
export const UP: Vector3 = { x: 0, y: 0, z: 1 };
export const level = ({ x, y }: Vector2): Vector3 => ({ x, y, z: 0 });
export const opposite = ({ x, y, z }: Vector3): Vector3 => ({ x: -x, y: -y, z: -z });

/** Radius of an arc from its span and rise: (s²/4 + h²)/2h; half its angle: 2·atan(2h/s). */
export const arcRadius = (span: number, rise: number): number => (span * span) / (8 * rise) + rise / 2;
