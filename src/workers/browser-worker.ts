import * as Comlink from 'comlink';
import type { StartedOnce } from './one-job';

/** A worker of the browser's own, started for jobs; `stopped` says that it died where the browser does not. */
export const browserWorker = <W>(worker: Worker, stopped: string): StartedOnce<Comlink.Remote<W>> => ({
  worker,
  proxy: Comlink.wrap<W>(worker),
  share: (callback) => Comlink.proxy(callback),
  onDeath: (heard) => {
    // What the browser says of it is for nobody who draws.
    worker.onerror = () => heard(stopped);
  },
});
