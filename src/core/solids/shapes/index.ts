export { arcOf } from './bent-outline';
export { cutShape } from './cut-shape';
export { blockShape } from './block-shape';
export { ballShape } from './ball-shape';
export { prismShape } from './prism-shape';
export { taperShape } from './taper-shape';
export { turnedShape } from './turned-shape';
export type { Belonging, Shaping, Which } from './shape';
