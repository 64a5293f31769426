export { type Vertex, type Face, type Edge, type Body, planeOf } from './body';
export { bodiesOf } from './bodies';
