import type { Drawing, Layer, LayerHead } from './drawing';

/** How a sheet of tracing paper lies: on the drawing, on it but faint, or aside; and whether what is on it may be moved. */
export interface LayerLaid {
  readonly show: 'on' | 'dimmed' | 'off';
  readonly locked: boolean;
}
export type LayersLaid = Readonly<Record<string, LayerLaid>>;

export const LAID_ON: LayerLaid = { show: 'on', locked: false };
/** The furniture as a whole, by its group. */
export const FURNITURE = 'furniture';

/** How a layer lies; what is not told otherwise lies on, a piece as its furniture does. */
export function laidOf(laid: LayersLaid | undefined, { id, group }: Pick<LayerHead, 'id' | 'group'>): LayerLaid {
  const own = laid?.[id];
  const whole = group === undefined ? undefined : laid?.[group];
  if (!own || !whole) return own ?? whole ?? LAID_ON;
  // Laid aside as a whole it is aside; locked in either way it is locked.
  const faintest = [own.show, whole.show];
  return {
    show: faintest.includes('off') ? 'off' : faintest.includes('dimmed') ? 'dimmed' : 'on',
    locked: own.locked || whole.locked,
  };
}

/** The layers as they are laid: those aside left out, faint ones marked. */
export const laidLayers = (layers: readonly Layer[], laid: LayersLaid | undefined): readonly Layer[] =>
  laid === undefined
    ? layers
    : layers.flatMap((layer) => {
        const { show } = laidOf(laid, layer);
        return show === 'off' ? [] : [show === 'dimmed' ? { ...layer, dimmed: true } : layer];
      });

/** One layer by itself on the same sheet, with the control lines and crosses it is laid over another by. A group's name takes all of it. */
export function layerAlone(drawing: Drawing, id: string): Drawing {
  const own = drawing.layers.filter((layer) => layer.id === id || layer.group === id);
  const name = own.length === 1 ? (own[0]?.name ?? id) : id;
  return {
    ...drawing,
    title: `${drawing.title}: ${name}`,
    layers: [...own, ...drawing.layers.filter((layer) => layer.role.layer === 'control' && layer.id !== id)],
  };
}
