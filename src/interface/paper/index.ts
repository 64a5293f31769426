export { PaperSheet } from './PaperSheet';
export { SizedPaper } from './SizedPaper';
export { readyContext } from './ready-context';
export { LivePicture, type Pictured } from './LivePicture';
