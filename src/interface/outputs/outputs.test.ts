import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { readDxf } from '@/core/formats/dxf';
import { readProject } from '@/core/formats/project';
import { planningView, sceneOf, sheetOf } from '@/core/pipeline';
import { standOf } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { fileNameOf, OUTPUTS, type Desktop, type Taken } from './index';

const project = at(DEMOS, 0);
const view = at(project.views, 0);
function desktop(change: Partial<Desktop> = {}): Desktop {
  const scene = sceneOf(project);
  const stand = standOf(project, view);
  if (!stand.ok) throw new Error(stand.error.message);
  const lines = drain(visibleLinesExact(scene.prepared, stand.value.setUp, view.frame));
  const drawing = sheetOf(project, view, scene, stand.value, lines, null);
  return {
    ...{ project, view, scene, chosen: at(project.pieces, 0).id },
    elevation: { of: 'wall', wallId: at(at(project.spaces, 0).walls, 0).id, within: 1200 },
    perspective: { scene, stand: stand.value, lines, quick: false, drawing },
    raster: async () => ({ kind: 'png', bytes: Uint8Array.of(1, 2, 3) }),
    order: 'by-pass',
    ...{ drawn: [], frozen: null, now: () => new Date(0) },
    planned: async () => {
      const plan = drain(planningView(project, view));
      return plan.ok ? { kind: 'planned', planned: plan.value } : { kind: 'refused', message: plan.error.message };
    },
    ...change,
  };
}
const take = async (id: string, given: Desktop): Promise<Taken> => {
  const output = OUTPUTS.find((one) => one.id === id);
  if (!output) throw new Error(id);
  return output.make(given);
};
const text = (taken: Taken): string => {
  if (taken.kind === 'refused') throw new Error(taken.message);
  return typeof taken.content === 'string' ? taken.content : new TextDecoder().decode(taken.content);
};

describe('what can be taken away', () => {
  it('each has a name of its own and says what it is', () => {
    expect(new Set(OUTPUTS.map((one) => one.id)).size).toBe(OUTPUTS.length);
    expect(new Set(OUTPUTS.map((one) => one.words)).size).toBe(OUTPUTS.length);
    for (const one of OUTPUTS) expect(one.words).toMatch(/^(a|the) .*\((SVG|DXF|PNG|CSV|JSON|HTML)\)$/);
  });
  it('each makes its file, by the names of project and view', async () => {
    const given = desktop();
    expect(text(await take('sheet-svg', given))).toContain('<svg');
    expect(readDxf(text(await take('sheet-dxf', given))).ok).toBe(true);
    expect(text(await take('steps', given)).split('\n').length).toBeGreaterThan(3);
    expect(text(await take('marks', given)).split('\n').length).toBeGreaterThan(100);
    expect(JSON.parse(text(await take('set-out', given)))).toMatchObject({ kind: 'bathyskop-set-out', version: 2 });
    expect(readProject(text(await take('project-file', given)))).toEqual({ ok: true, value: project });
    expect(text(await take('elevation', given))).toContain('<svg');
    const picture = await take('picture-300', given);
    expect(picture.kind === 'file' && fileNameOf(picture)).toBe(`${project.id}-${view.id}-300.png`);
  });
  it('says why there is none: nowhere to stand, nothing chosen, a picture that failed', async () => {
    for (const one of OUTPUTS.filter(({ wants }) => wants === 'a-stand'))
      expect((await one.make(desktop({ perspective: null }))).kind, one.id).toBe('refused');
    for (const came of [null, { kind: 'refused', message: 'no' }, { kind: 'failed', detail: 'no' }] as const)
      expect(await take('steps', desktop({ planned: async () => came }))).toMatchObject({ kind: 'refused' });
    const unchosen = await take('elevation', desktop({ elevation: 'nothing' }));
    expect(unchosen.kind === 'refused' && unchosen.message).toMatch(/^Choose a wall/);
    const failing = desktop({ raster: async () => ({ kind: 'failed', detail: 'no room' }) });
    expect(await take('picture-150', failing)).toEqual({
      kind: 'refused',
      message: 'The picture could not be made: no room',
    });
  });
  it('file names hold nothing that a file system could mind', () => {
    expect(fileNameOf({ name: ['tea room', 'the “far” wall/2'], ending: '.svg' })).toBe('tea-room-the-far-wall-2.svg');
  });
});
