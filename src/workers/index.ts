export { createLinesClient, startLinesWorker, type LinesClient, type LinesJob, type StartedWorker } from './client';
export type { LinesReply, LinesRequest, LinesWorker, SceneMessage } from './protocol';
