export { withResolution } from './with-resolution';
