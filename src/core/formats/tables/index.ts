export { writeSteps } from './write-steps';
export { writeSetOut } from './write-set-out';
