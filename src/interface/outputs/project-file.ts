import { writeProject } from '@/core/formats/project';
import type { Project } from '@/core/record';
import type { Output } from './output';

/** The project as a file of its own, wherever it is offered. */
export const projectTaken = (project: Project) => ({
  kind: 'file' as const,
  name: [project.id],
  ending: '.json',
  type: 'application/json',
  content: writeProject(project),
  holds: 'the-project' as const,
});

export const projectFile: Output = {
  id: 'project-file',
  words: 'the project file (JSON)',
  wants: 'nothing',
  make: ({ project }) => projectTaken(project),
};
