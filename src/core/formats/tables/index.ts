export { writeSteps } from './write-steps';
export { writeSetOut } from './write-set-out';
export { writeMarks } from './write-marks';
