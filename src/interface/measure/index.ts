export { MeasureBoard, type MeasureCommands } from './MeasureBoard';
export { useMeasure, type Measuring, type MeasurePaper } from './use-measure';
export { MeasureWords } from './MeasureWords';
export { MeasureSheets } from './MeasureSheets';
export { elevationFor } from './places';
export { FollowingPicture } from './FollowingPicture';
export { carriesPieces } from './measure-motion';
export { LivePicture } from './LivePicture';
