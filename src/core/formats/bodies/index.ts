export { writeBodies } from './write-bodies';
