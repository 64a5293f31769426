import { availableParallelism } from 'node:os';
import { MOST_MS, PrintDesk, refuse, startPrintThread, Threads, type Print, type PrintOrder } from '@/server/print';

export const runtime = 'nodejs';
export const dynamic = 'force-dynamic';

/** All of the process while prints are made; below 1.5 GB with what the pages need beside it. */
const PROCESS_BYTES = 1.2e9;

const threads = new Threads<PrintOrder, Print>(startPrintThread, {
  threads: availableParallelism(),
  ms: MOST_MS,
  processBytes: PROCESS_BYTES,
});
const desk = new PrintDesk(
  (order) => threads.run(order, [order.file.buffer]),
  () => new Date(),
);

export const POST = (request: Request): Promise<Response> => desk.print(request);

const other = (): Response => refuse('other-method', 'A project file is sent here by POST; see docs/format.md.');
export { other as GET, other as HEAD, other as PUT, other as PATCH, other as DELETE, other as OPTIONS };
