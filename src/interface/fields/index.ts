export { TypedField, type FieldFault } from './TypedField';
export { LengthField, nudgeMm } from './LengthField';
export { AngleField } from './AngleField';
export { ScaleField } from './ScaleField';
export { Figure } from './Figure';
