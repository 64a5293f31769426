export { readTicks, TICKS_KIND, TICKS_VERSION, type Ticks, type TicksError } from './ticks-file';
