import { mkdtempSync, existsSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { DEMOS } from '@/app/demo';
import { at } from '@/core/base';
import { dot3 } from '@/core/geometry';
import { readProject, writeProject } from '@/core/formats/project';
import { mmOf, type Change, type Project } from '@/core/record';
import { bodiesOf } from '@/core/solids';
import { boxPiece, boxView, smallRoom } from '@/testing';
import { run } from './run';

const folder = mkdtempSync(join(tmpdir(), 'bathyskop-changes-'));
const file = (name: string): string => join(folder, name);
const write = (name: string, value: unknown): string => {
  writeFileSync(file(name), typeof value === 'string' ? value : JSON.stringify(value));
  return file(name);
};
const json = <T>(name: string): T => JSON.parse(readFileSync(file(name), 'utf8')) as T;
async function ask(...words: string[]) {
  const said: string[] = [];
  const code = await run(words, (message) => said.push(message));
  return { code, said: said.join('\n') };
}
const changes = (...list: unknown[]) => ({ kind: 'bathyskop-changes', version: 1, changes: list });
const room = smallRoom([boxPiece({ id: 'box', width: 1200 })], boxView({}));
const project = write('room.json', writeProject(room));

interface Findings {
  readonly contradictions: readonly {
    readonly kind: string;
    readonly about: { readonly id: string; readonly place: { readonly least: number[]; readonly most: number[] } };
    readonly message: string;
    readonly remedies: readonly { readonly label: string; readonly change: Change }[];
  }[];
  readonly warnings: Findings['contradictions'];
}

describe('changes from a file', () => {
  it('are applied in order before anything is written, and the project after them can be kept', async () => {
    const list = write(
      'good.json',
      changes(
        { kind: 'correct-size', sizeId: 'box/width', mm: 900, asTyped: '900' },
        { kind: 'several', changes: [{ kind: 'turn-piece', pieceId: 'box', turnDeg: 30 }] },
        { kind: 'copy-view', viewId: 'view', id: 'second', name: 'Second' },
      ),
    );
    const answer = await ask(
      project,
      '--apply',
      list,
      '--save',
      file('after.json'),
      '--svg',
      file('after.svg'),
      '--view',
      'second',
    );
    expect(answer).toEqual({ code: 0, said: '' });
    const read = readProject(readFileSync(file('after.json'), 'utf8'));
    if (!read.ok) throw new Error(read.error.message);
    const box = at(read.value.pieces, 0);
    expect([mmOf(box.width), box.place.turnDeg]).toEqual([900, 30]);
    expect(read.value.views.map((view) => view.name)).toEqual(['View', 'Second']);
    expect(existsSync(file('after.svg'))).toBe(true);
  });
  it.each<[string, unknown, RegExp]>([
    ['not JSON', '{"kind":', /not JSON/],
    ['another file', { kind: 'bathyskop-project' }, /holds no changes/],
    ['an unknown kind', changes({ kind: 'repaint' }), /Change 1: there is no change of kind “repaint”/],
    ['a missing field', changes({ kind: 'turn-piece', pieceId: 'box' }), /Change 1: turnDeg/],
    ['text for a number', changes({ kind: 'turn-piece', pieceId: 'box', turnDeg: '3' }), /Change 1: turnDeg/],
    ['a field nobody knows', changes({ kind: 'mirror-piece', pieceId: 'box', how: 'well' }), /Change 1:.*how/],
    [
      'a fault within several',
      changes({ kind: 'several', changes: [{ kind: 'turn-piece', pieceId: 'box' }] }),
      /Change 1: turnDeg/,
    ],
    ['a thing that is not there', changes({ kind: 'turn-piece', pieceId: 'x', turnDeg: 3 }), /Change 1 \(turn-piece\)/],
    ['a piece that is none', changes({ kind: 'add-piece', piece: { id: 'a' } }), /Change 1 \(add-piece\)/],
    [
      'fields that make no project',
      changes({ kind: 'change-view', viewId: 'view', fields: { scaleDenominator: 'large' } }),
      /Change 1 \(change-view\): .*scaleDenominator/,
    ],
    [
      'a second that is refused',
      changes({ kind: 'mirror-piece', pieceId: 'box' }, { kind: 'remove-view', viewId: 'view' }),
      /Change 2 \(remove-view\)/,
    ],
  ])('%s is refused with its place, and nothing is written', async (name, value, message) => {
    const answer = await ask(project, '--apply', write('bad.json', value as string), '--save', file(`${name}.json`));
    expect(answer.code).toBe(1);
    expect(answer.said).toMatch(message);
    expect(existsSync(file(`${name}.json`))).toBe(false);
  });
});

describe('findings', () => {
  const through: Project = smallRoom(
    [boxPiece({ id: 'one', fromNorth: 500, fromWest: 700 }), boxPiece({ id: 'two', fromNorth: 700, fromWest: 1000 })],
    boxView({ frame: { left: -400, right: 400, bottom: -60, top: 60 } }),
  );
  it('tell contradictions on stderr unasked, and in a file with places and changes that settle them', async () => {
    const path = write('through.json', writeProject(through));
    const answer = await ask(path, '--findings', file('findings.json'));
    expect(answer.code).toBe(0);
    expect(answer.said).toMatch(/^One and two /m);
    const findings = json<Findings>('findings.json');
    const found = findings.contradictions.find((one) => one.kind === 'through-piece');
    expect(found?.about.id).toBe('one');
    // 500 from the north wall at y = 3000, 600 deep; 700 from the west wall, 1200 wide; 900 high.
    expect(found?.about.place).toEqual({ least: [700, 1900, 0], most: [1900, 2500, 900] });
    expect(findings.warnings.length).toBeGreaterThan(0);
    for (const remedy of found?.remedies ?? []) {
      const list = write('remedy.json', changes(remedy.change));
      const after = await ask(path, '--apply', list, '--findings', file('after.json'));
      expect(after, remedy.label).toEqual({ code: 0, said: '' });
      expect(json<Findings>('after.json').contradictions).toEqual([]);
    }
    for (const warning of findings.warnings)
      for (const remedy of warning.remedies) expect(remedy.change.kind).toBe('change-view');
  });
});

describe('bodies', () => {
  it('are written as they are: every corner of a flat face in its plane, every round one with its measures', async () => {
    for (const demo of DEMOS) {
      const answer = await ask(write('demo.json', writeProject(demo)), '--bodies', file('bodies.json'));
      expect(answer.code).toBe(0);
      const { bodies } = json<{
        readonly bodies: readonly {
          readonly id: string;
          readonly faces: readonly { readonly normal: number[]; readonly loops: readonly (readonly number[][])[] }[];
          readonly rounds: readonly { readonly surface: string; readonly radius: number; readonly axis: number[] }[];
        }[];
      }>('bodies.json');
      const own = bodiesOf(demo);
      expect(bodies.map((body) => [body.id, body.faces.length, body.rounds.length])).toEqual(
        own.map((body) => [body.id, body.faces.length, body.rounds.length]),
      );
      const vector = ([x = NaN, y = NaN, z = NaN]: readonly number[]) => ({ x, y, z });
      for (const { faces, rounds } of bodies) {
        for (const face of faces) {
          const off = face.loops.flat().map((p) => dot3(vector(face.normal), vector(p)));
          expect(Math.max(...off) - Math.min(...off)).toBeLessThan(1e-6);
        }
        for (const round of rounds) {
          expect(round.radius).toBeGreaterThan(0);
          expect(Math.hypot(...round.axis)).toBeCloseTo(1, 12);
        }
      }
    }
  });
});
