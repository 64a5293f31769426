export { randomRoom } from './random-room';
