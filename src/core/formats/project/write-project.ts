import { finite } from '@/core/numeric';
import type { Project } from '@/core/record';

/** The project file: JSON, kind and version first. @throws when a figure is not finite. */
export function writeProject(project: Project): string {
  const { kind, version, ...rest } = project;
  return `${JSON.stringify({ kind, version, ...rest }, (key, value: unknown) => (typeof value === 'number' ? finite(value, key) : value), 1)}\n`;
}
