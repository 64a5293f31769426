export { readProject, readProjectValue, valueOf, readProjectInSteps, type ProjectFileError } from './read-project';
export { writeProject } from './write-project';
export { projectSchema } from './schema';
export { changedFault } from './changed-fault';
