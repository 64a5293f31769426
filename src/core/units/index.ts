export {
  type Millimetres,
  type PaperMillimetres,
  type Radians,
  type Degrees,
  type UnitSystem,
  type InchFraction,
  MM_PER_INCH,
} from './quantity';
export {
  radiansFromDegrees,
  degreesFromRadians,
  normaliseBearing,
  parseAngle,
  formatAngle,
  type AngleError,
} from './angle';
export type { LengthError, LengthErrorReason } from './length-error';
export { parseLength, type ParsedLength, type LengthRules } from './length-parse';
export {
  type LengthStyle,
  METRIC_STYLE,
  IMPERIAL_STYLE,
  formatFeetInches,
  formatInches,
  formatLength,
  formatBareLength,
  formatPaper,
  formatBarePaper,
} from './length-print';
export { parseScale, formatScale, USUAL_SCALES, type ScaleError } from './scale';
export { DRAWING_SCALES } from './drawing-scales';
