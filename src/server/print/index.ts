export { PrintDesk, MOST_MS, PRINT_LIMITS, type MakePrint, type PrintLimits } from './print-project';
export { makePrint, type Print, type PrintOrder } from './make-print';
export { startPrintThread } from './start-thread';
export { Threads, type Ended, type ThreadLimits } from './threads';
export { refuse, STATUS_OF } from './refusals';
