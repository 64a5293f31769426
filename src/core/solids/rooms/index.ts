export { roomBody } from './room';
