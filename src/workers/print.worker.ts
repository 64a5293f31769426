import * as Comlink from 'comlink';
import { servePrint } from './serve-print';

Comlink.expose(servePrint((reply) => (reply.kind === 'pdf' ? Comlink.transfer(reply, [reply.bytes.buffer]) : reply)));
