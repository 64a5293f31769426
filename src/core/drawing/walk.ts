import type { Drawing, Layer, LayerContents, LayerHead, Stroke } from './drawing';

/**
 * Where a drawing goes: a file, a canvas, a small picture. One method for each kind of content a layer can hold: a new kind is a compile error in
 * every sink until it says what becomes of it.
 */
export type Sink = {
  readonly [K in keyof LayerContents]: (contents: LayerContents[K], layer: LayerHead) => void;
} & {
  readonly begin?: (layer: LayerHead) => void;
  readonly end?: (layer: LayerHead) => void;
};

/** The order in which a layer's contents lie on one another; all kinds, by the compiler's word. */
const ORDER: readonly (keyof LayerContents)[] = Object.keys({
  images: true,
  areas: true,
  strokes: true,
  words: true,
} satisfies Record<keyof LayerContents, true>) as (keyof LayerContents)[];

function pass<K extends keyof LayerContents>(sink: Sink, layer: Layer, kind: K): void {
  const contents = layer[kind];
  if (contents.length > 0) (sink[kind] as (contents: LayerContents[K], layer: LayerHead) => void)(contents, layer);
}

/** The one walk over a drawing: layers lowest first, each layer's contents in their order. Layers that hold nothing are passed by. */
export function walk(drawing: Pick<Drawing, 'layers'>, sink: Sink): void {
  for (const layer of drawing.layers) {
    if (ORDER.every((kind) => layer[kind].length === 0)) continue;
    sink.begin?.(layer);
    for (const kind of ORDER) pass(sink, layer, kind);
    sink.end?.(layer);
  }
}

/** Strokes gathered by pen, in the order in which each pen is first taken up: thousands of strokes are some dozens of paths. */
export function byPen(strokes: readonly Stroke[]): readonly (readonly [Stroke, ...Stroke[]])[] {
  const pens = new Map<string, [Stroke, ...Stroke[]]>();
  for (const stroke of strokes) {
    const key = `${stroke.weight}/${stroke.family}/${stroke.edge ?? ''}`;
    const list = pens.get(key);
    if (list) list.push(stroke);
    else pens.set(key, [stroke]);
  }
  return [...pens.values()];
}

/** Every kind of a layer's contents changed by its own rule: how a drawing is cut, moved or stretched without a sink. */
export function mapContents(
  layer: Layer,
  change: { readonly [K in keyof LayerContents]: (contents: LayerContents[K]) => LayerContents[K] },
): Layer {
  return {
    ...layer,
    images: change.images(layer.images),
    areas: change.areas(layer.areas),
    strokes: change.strokes(layer.strokes),
    words: change.words(layer.words),
  };
}
