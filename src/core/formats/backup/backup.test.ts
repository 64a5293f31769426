import { describe, expect, it } from 'vitest';
import { boxPiece, smallRoom } from '@/testing';
import { isBackup, readBackup, writeBackup, type BackupEntry } from './index';

const project = smallRoom([boxPiece()]);
const entry: BackupEntry = {
  project,
  desk: { viewId: 'view', steps: { view: 2 }, done: { view: ['a/b'] } },
  states: [{ by: 'hand', name: 'with the long table', keptAt: '2026-11-01T10:00:00.000Z', project }],
};

describe('a backup of all projects', () => {
  it('comes back as it was', () => {
    const text = writeBackup([entry, { project: { ...project, id: 'other' }, desk: null, states: [] }], '2026-11-29');
    const value: unknown = JSON.parse(text);
    expect(isBackup(value)).toBe(true);
    const read = readBackup(value);
    expect(read.ok && read.value.faults).toEqual([]);
    expect(read.ok && read.value.entries[0]).toEqual(entry);
    expect(read.ok && read.value.entries.map((one) => one.project.id)).toEqual([project.id, 'other']);
  });
  it('one project that cannot be read hides no other, and is named', () => {
    const value = JSON.parse(writeBackup([entry, entry], '2026-11-29')) as {
      projects: { project: { views: unknown } }[];
    };
    if (value.projects[0]) value.projects[0].project.views = [];
    const read = readBackup(value);
    expect(read.ok && read.value.entries.length).toBe(1);
    expect(read.ok && read.value.faults).toMatchObject([
      { name: project.name, message: expect.stringMatching(/needs a view/) },
    ]);
  });
  it('a kept state that cannot be read is left out, its project not', () => {
    const spoilt = { ...entry, states: [{ ...entry.states[0], project: { kind: 'other' } }, ...entry.states] };
    const read = readBackup({ kind: 'bathyskop-backup', version: 1, projects: [spoilt, 7] });
    expect(read.ok && read.value.entries[0]?.states).toEqual(entry.states);
    expect(read.ok && read.value.faults.map((one) => one.name)).toEqual(['project 2']);
  });
  it.each([
    ['[]', 'not-a-backup'],
    ['{"kind": "bathyskop-project"}', 'not-a-backup'],
    ['{"kind": "bathyskop-backup", "projects": 3}', 'not-a-backup'],
    ['{"kind": "bathyskop-backup", "version": 2, "projects": []}', 'newer-version'],
  ])('%s is refused: %s', (text, reason) => {
    const read = readBackup(JSON.parse(text));
    expect(read.ok ? '' : read.error.reason).toBe(reason);
  });
});
