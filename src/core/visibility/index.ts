export { type VisibleLines, type VisibleLinesMethod, drain } from './visible-lines';
export { prepareScene, activeFaces, type PreparedScene, type PreparedEdge, type PreparedFace } from './scene';
export { visibleLinesEdgeByFace } from './edge-by-face';
