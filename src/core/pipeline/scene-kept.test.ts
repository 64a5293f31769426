import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { correctSize, mmOf, type Project } from '@/core/record';
import { sceneOf } from './perspective';

const widened = (project: Project, which: number, byMm: number): Project => {
  const { width } = at(project.pieces, which);
  const next = correctSize(project, width.id, { mm: mmOf(width) + byMm, asTyped: String(mmOf(width) + byMm) });
  if (!next.ok) throw new Error(next.error.message);
  return next.value;
};

describe.each(DEMOS.map((demo) => [demo.id, demo] as const))('the scene of an edited room, %s', (_, demo) => {
  it('is that of the room as it is, whether those between were looked at or not', () => {
    const first = sceneOf(demo);
    const once = widened(demo, 0, 10);
    const twice = widened(once, 1, 20);
    // Nobody asked what the one between looks like.
    const scene = sceneOf(twice, sceneOf(once, first));
    const anew = sceneOf(twice);
    expect(scene.prepared).toEqual(anew.prepared);
    expect(scene.kept.prepared.size).toBe(anew.bodies.length);
    expect(scene.edgeCount).toBeGreaterThanOrEqual(anew.edgeCount);
  });

  it('makes ready what the edit touched, when that is asked for, and nothing else anew', () => {
    const first = sceneOf(demo);
    const scene = sceneOf(widened(demo, 0, 10), first);
    const { id } = at(demo.pieces, 0);
    const fresh = scene.bodies.filter((body) => !first.kept.prepared.has(body));
    expect(fresh.some((body) => body.id === id)).toBe(true);
    expect(fresh.length).toBeLessThan(first.bodies.length);
    expect(scene.kept.made).toBe(first.kept.prepared);
    for (const body of scene.bodies)
      if (!fresh.includes(body)) expect(scene.kept.prepared.get(body)).toBe(first.kept.prepared.get(body));
    expect(scene.kept.made).toBe(scene.kept.prepared);
  });
});
