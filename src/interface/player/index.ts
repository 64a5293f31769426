export { Player } from './Player';
export { StepList } from './StepList';
