export { StatesSheet } from './StatesSheet';
