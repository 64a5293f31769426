export { capital } from './capital';
export { ok, err, type Result } from './result';
export { invariant, at } from './invariant';
export type { Brand } from './brand';
export { seededRandom } from './seeded-random';
export { drain, inPart } from './drain';
