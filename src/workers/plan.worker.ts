import * as Comlink from 'comlink';
import { servePlan } from './serve-plan';

Comlink.expose(servePlan(() => performance.now()));
