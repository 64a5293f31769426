import * as Comlink from 'comlink';
import { serveSmallPicture } from './serve-small-picture';

Comlink.expose(serveSmallPicture());
