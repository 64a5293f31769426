export { ViewsSheet } from './ViewsSheet';
