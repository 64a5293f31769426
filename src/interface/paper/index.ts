export { PaperSheet } from './PaperSheet';
