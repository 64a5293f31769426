export { createLinesClient, startLinesWorker, type LinesClient, type LinesJob, type StartedWorker } from './client';
export type { LinesReply, LinesRequest, LinesWorker, SceneMessage } from './protocol';
export { createPrintClient, startPrintWorker, type PrintClient, type StartedPrinter } from './print-client';
export type { PrintReply, PrintRequest, PrintWorker } from './print-protocol';
export { createFindClient, startFindWorker, type FindClient, type StartedFinder } from './find-client';
export type { FindReply, FindRequest, FindWorker } from './find-protocol';
export { createRasterClient, startRasterWorker } from './raster-client';
export { createPlanClient, startPlanWorker, type PlanClient, type StartedPlanner } from './plan-client';
export type { PlanReply, PlanRequest, PlanWorker } from './plan-protocol';
export {
  createSmallPictureClient,
  startSmallPictureWorker,
  type SmallPictureClient,
  type StartedSmallPicture,
} from './small-picture-client';
export type { SmallPictureReply, SmallPictureWorker } from './small-picture-protocol';
export { serveSmallPicture } from './serve-small-picture';
