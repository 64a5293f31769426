export { MeasureBoard, type MeasureCommands } from './MeasureBoard';
export { useMeasure, type Measuring, type MeasurePaper } from './use-measure';
export { MeasureWords } from './MeasureWords';
export { MeasureSheets } from './MeasureSheets';
export { LivePicture } from './LivePicture';
export { elevationFor } from './places';
