import { writeProject } from '@/core/formats/project';
import type { Output } from './output';

export const projectFile: Output = {
  id: 'project-file',
  words: 'the project file (JSON)',
  wants: 'nothing',
  make: ({ project }) => ({
    kind: 'file',
    name: [project.id],
    ending: '.json',
    type: 'application/json',
    content: writeProject(project),
  }),
};
