export { TypedField, type FieldFault } from './TypedField';
export { LengthField, nudgeMm } from './LengthField';
export { AngleField } from './AngleField';
export { ScaleField } from './ScaleField';
export { Figure } from './Figure';
export { PaperField, paperNudge } from './PaperField';
export { Choice, type ChoiceOption } from './Choice';
export { NameField } from './NameField';
export { SearchField } from './SearchField';
