export { writeSvg } from './write-svg';
