export { ProjectsPage, type ProjectCardShown } from './ProjectsPage';
