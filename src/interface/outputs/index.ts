import type { Project } from '@/core/record';
import { elevation } from './elevation';
import { fileNameOf } from './file-name';
import type { Output } from './output';
import { marks } from './marks';
import { picture } from './picture';
import { player } from './player';
import { projectFile, projectTaken } from './project-file';
import { setOut } from './set-out';
import { sheetDxf } from './sheet-dxf';
import { sheetSvg } from './sheet-svg';
import { steps } from './steps';

export { fileNameOf } from './file-name';
export { frozenPage } from './frozen-page';
export { NOT_EXACT, type Desktop, type Output, type Taken } from './output';

/** All that can be taken away, in the order of the list. */
export const OUTPUTS: readonly Output[] = [
  elevation,
  sheetSvg,
  sheetDxf,
  picture(150),
  picture(300),
  picture(600),
  steps,
  marks,
  player,
  setOut,
  projectFile,
];

/** The project's file, to be handed over besides the list. */
export function projectFileOf(project: Project): readonly [fileName: string, type: string, content: string] {
  const taken = projectTaken(project);
  return [fileNameOf(taken), taken.type, taken.content];
}
