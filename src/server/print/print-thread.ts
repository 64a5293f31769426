import { parentPort } from 'node:worker_threads';
import { makePrint, type PrintOrder } from './make-print';

// A thread makes one print and is ended; what goes wrong in it ends it too, and its owner answers for it.
parentPort?.once('message', (order: PrintOrder) => {
  void makePrint(order).then((print) =>
    parentPort?.postMessage(print, print.kind === 'pdf' ? [print.bytes.buffer] : []),
  );
});
