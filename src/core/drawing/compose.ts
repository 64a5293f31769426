import type { ConstructionPlan, Paper } from '@/core/construction';
import type { Project, View } from '@/core/record';
import { formatScale } from '@/core/units';
import type { SetOut, SetUp } from '@/core/view';
import type { PreparedScene, VisibleLines } from '@/core/visibility';
import { constructionLayer } from './construction-layer';
import type { Drawing, Layer } from './drawing';
import { controlLayer, paperLayer, pictureLayers, setOutLayer } from './picture-layers';

export interface DrawingGiven {
  readonly project: Project;
  readonly view: View;
  readonly set: SetUp;
  readonly setOut: SetOut;
  readonly scene: PreparedScene;
  readonly lines: VisibleLines;
  /** The piece at hand, whose own vanishing points are marked. */
  readonly pieceId: string | null;
  /** While something is moved: only what is seen. */
  readonly moving?: boolean;
  /** A piece's construction, drawn up to and with this many steps. */
  readonly construction?: { readonly plan: ConstructionPlan; readonly paper: Paper; readonly steps: number };
}

/** The whole sheet, lowest layer first. */
export function composeDrawing(given: DrawingGiven): Drawing {
  const { project, view, setOut, pieceId, construction } = given;
  const caption = `${project.name} · ${view.name} · ${formatScale(view.scaleDenominator, project.units)} at the picture plane`;
  const picture = pictureLayers(given);
  const layers: Layer[] = [
    paperLayer(view),
    setOutLayer(view, setOut, pieceId),
    ...(construction ? [constructionLayer(view, construction.plan, construction.paper, construction.steps)] : []),
    ...picture.layers,
    controlLayer(view, caption),
  ];
  return {
    title: `${project.name}: ${view.name}`,
    width: view.sheet.width,
    height: view.sheet.height,
    layers,
    parallels: picture.parallels,
  };
}
