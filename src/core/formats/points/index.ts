export { readPoints, writePoints, type PointsGiven, type PointsError } from './points';
