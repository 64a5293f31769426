import type { Id } from '@/core/record';
import type { WorldPoint } from '@/core/space';
import type { BodyBuilder } from '../body-builder';
import type { Named } from '../role';

/** A named corner, or the one already standing at its place: a corner has one name however many faces meet there. */
export class Corners {
  private readonly byPlace = new Map<string, Id>();
  constructor(private readonly builder: BodyBuilder) {}
  at(point: WorldPoint, named: Named): Id {
    const key = [point.x, point.y, point.z].map((c) => Math.round(c * 1e4)).join(' ');
    const known = this.byPlace.get(key);
    if (known !== undefined) return known;
    this.byPlace.set(key, named.id);
    this.builder.vertex(named, point);
    return named.id;
  }
}
