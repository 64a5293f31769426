import * as Comlink from 'comlink';
import { serveFind } from './serve-find';

Comlink.expose(serveFind(() => performance.now()));
