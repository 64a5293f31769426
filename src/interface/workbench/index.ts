export { Workbench } from './Workbench';
