export { readScene, type SceneGiven, type SceneError } from './read-scene';
export { writeVisible } from './write-visible';
