import type { Project, View } from '@/core/record';
import { formatScale } from '@/core/units';
import type { SetOut, SetUp } from '@/core/view';
import type { PreparedScene, VisibleLines } from '@/core/visibility';
import { constructionLayer, type Constructed } from './construction-layer';
import { layerKey, type Drawing, type Layer } from './drawing';
import { FURNITURE, laidLayers, laidOf, type LayersLaid } from './layers';
import { settleWords } from './settle-words';
import { controlLayer, paperLayer, pictureLayers, pieceLayer, setOutLayer } from './picture-layers';

export interface DrawingGiven {
  readonly project: Project;
  readonly view: View;
  readonly setUp: SetUp;
  readonly setOut: SetOut;
  readonly scene: PreparedScene;
  readonly lines: VisibleLines;
  /** The piece at hand, whose own vanishing points are marked. */
  readonly pieceId: string | null;
  /** How the layers lie; all of them on when left out. */
  readonly laid?: LayersLaid;
  /** What is constructed, up to and with this many steps. */
  readonly construction?: Constructed & { readonly steps: number };
}

/** The whole sheet, lowest layer first. */
export function composeDrawing(given: DrawingGiven): Drawing {
  const { project, view, setOut, pieceId, construction } = given;
  const caption = `${project.name} · ${view.name} · ${formatScale(view.scaleDenominator, project.units)} at the picture plane`;
  const aside = new Set(
    [
      ...(['footprints', 'hidden', 'patterns', 'room', 'openings'] as const).map((layer) => ({
        id: layerKey({ layer }),
      })),
      ...project.pieces.map((piece) => ({ id: pieceLayer(piece.id), group: FURNITURE }) as const),
    ].flatMap((layer) => (laidOf(given.laid, layer).show === 'off' ? [layer.id] : [])),
  );
  const setOutAsDrawn = setOutLayer(view, setOut, pieceId);
  const marked = setOutAsDrawn.words.flatMap(({ free }) => (free?.where === 'beside' ? [free.mark] : []));
  const picture = pictureLayers({ ...given, without: aside });
  const layers: Layer[] = [
    paperLayer(view),
    setOutAsDrawn,
    ...(construction ? [constructionLayer(view, construction, construction.steps, marked)] : []),
    ...picture.layers,
    controlLayer(view, caption),
  ];
  return settleWords({
    title: `${project.name}: ${view.name}`,
    width: view.sheet.width,
    height: view.sheet.height,
    layers: laidLayers(layers, given.laid),
    parallels: picture.parallels,
  });
}
