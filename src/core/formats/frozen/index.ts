export { frozenPlan, sinceFrozen, type FrozenGiven, type FrozenPlan, type SinceFrozen } from './frozen-plan';
export { readFrozen } from './read-frozen';
