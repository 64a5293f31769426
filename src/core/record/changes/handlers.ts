import type { Edit } from '../edits';
import type { Project } from '../project';

/** What a kind of change does to a project: pure, refused with a reason. `print` writes a length as the project writes its own. */
export type Handlers<Kinds> = {
  readonly [K in keyof Kinds]: (project: Project, fields: Kinds[K], print: (mm: number) => string) => Edit;
};
