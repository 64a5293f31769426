export { writeFindings } from './write-findings';
